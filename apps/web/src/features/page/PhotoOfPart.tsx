import { useMemo, useState } from 'react';
import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { withUnitNamed, lengthOf } from '@temnex/core/length';
import { DEFAULT_FRAMING, findPhotos, parsePhotoQuery, type Photo, type Picture } from '@temnex/core/photos';
import {
  moveTo,
  locateSpot,
  setItemField,
  setPicture,
  type DerivedPage,
  type Page,
  type Part,
} from '@temnex/core/page';
import { formatLength, describeCropLoss, formatPhotoName, describePhoto, describeSharpness } from '@temnex/words';
import { sidewaysScroll } from '../../design/global.ts';
import { photoUrl, usePhotos } from '../../data/photos.ts';
import { CropFrame } from '../../widgets/photos/CropFrame.tsx';
import { Quiet, QuietLink } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Tick } from '../../design/Tick.tsx';
import { TypedField } from '../../design/Split.ts';

const Section = styled.section`
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  margin-top: 0.7rem;
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.3rem 0.8rem;
`;
const Strip = styled.ul`
  display: flex;
  gap: 0.5rem;
  max-width: 100%;
  padding: 3px;
  ${sidewaysScroll('var(--room)')}
  & button {
    display: block;
    padding: 0;
    border: 1px solid var(--ink);
    background: none;
    cursor: pointer;
  }
  & img {
    display: block;
    height: 84px;
    width: auto;
    max-width: 160px;
  }
`;
const Says = styled.p`
  font-size: var(--s1);
  color: var(--quiet);
`;
/** So many are offered at once; the rest are found by their words. */
const OFFERED = 40;

interface PhotoOfPartProps {
  page: Page;
  derived: DerivedPage;
  part: Part;
  change: (page: Page) => void;
}

/** Which photo is seen on a print of the page, in which crop, and what of it is wanted where. */
export function PhotoOfPart({ page, derived, part, change }: PhotoOfPartProps) {
  const picture = page.items.find((i) => i.id === part.item)?.pictures?.[part.key];
  const [choosing, setChoosing] = useState(false);
  const put = (next: Picture | null) => change(setPicture(page, part.item, part.key, next));
  return (
    <Section aria-label="Its photo">
      {picture && !choosing ? (
        <Seen
          page={page}
          derived={derived}
          part={part}
          picture={picture}
          change={change}
          put={put}
          another={() => setChoosing(true)}
        />
      ) : (
        <WhichPhoto
          choose={(photo) => {
            const { id, file, width, height, stay } = photo;
            setChoosing(false);
            put({ photo: id, file, width, height, ...DEFAULT_FRAMING, stay });
          }}
          leave={picture ? () => setChoosing(false) : null}
        />
      )}
    </Section>
  );
}

interface SeenProps extends PhotoOfPartProps {
  picture: Picture;
  put: (picture: Picture | null) => void;
  another: () => void;
}

function Seen({ page, derived, part, picture, change, put, another }: SeenProps) {
  const photos = usePhotos();
  const photo = photos.data?.photos.find((p) => p.id === picture.photo);
  const shown = part.picture;
  const [pointing, setPointing] = useState(false);
  const { wanted } = picture;
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  if (!shown) return null;
  const { opening } = shown;
  /** Takes what is typed of where a spot lies: the crop follows, or the print. */
  const lie = (axis: 'across' | 'upDown', at: string) => put({ ...picture, wanted: { ...wanted, [axis]: { share: wanted![axis]!.share, at } } }); // prettier-ignore
  const { print } = photo ?? {};
  const other = (axis: 'width' | 'height') => print !== undefined && print !== null && lengthOf(print[axis], print.unit) !== part[axis]; // prettier-ignore
  const measured = print?.known === 'measured' && (other('width') || other('height')) ? print : null;
  const text = (length: string | number) =>
    print && print.unit !== page.unit ? withUnitNamed(length, print.unit) : length;
  const missed = shown.misses.across || shown.misses.upDown;
  return (
    <>
      <CropFrame
        file={picture.file}
        photo={picture}
        ratio={opening.width / opening.height}
        framing={wanted ? { ...picture, ...framingNow(picture, shown) } : picture}
        stay={picture.stay}
        onChange={(framing) => {
          // what is moved by hand is wanted nowhere else
          const { wanted: _wanted, ...rest } = picture;
          const { x, y, zoom, keep } = framing;
          put({ ...rest, x, y, zoom, keep });
        }}
        onPoint={
          pointing
            ? (spot) => {
                const at = locateSpot(shown, spot, page.unit);
                setPointing(false);
                put({
                  ...picture,
                  wanted: { across: { share: spot.x, at: at.across }, upDown: { share: spot.y, at: at.upDown } },
                });
              }
            : undefined
        }
        lines={{ x: wanted?.across?.share, y: wanted?.upDown?.share }}
        room={{ width: 300, height: 260 }}
        label={`What is seen of ${photo ? formatPhotoName(photo) : 'the photo'}`}
      />
      <Says role="status">
        {describeCropLoss(shown)}; {describeSharpness(shown.crop, opening)}
      </Says>
      <Row>
        <Tick
          oneOf={`keep ${part.id}`}
          checked={picture.keep === 'fill'}
          onChange={() => put({ ...picture, keep: 'fill' })}
        >
          Fill it
        </Tick>
        <Tick
          oneOf={`keep ${part.id}`}
          checked={picture.keep === 'whole'}
          onChange={() => put({ ...picture, keep: 'whole' })}
        >
          All of it
        </Tick>
        <Quiet onPress={another}>Another photo</Quiet>
        <Quiet onPress={() => put(null)}>No photo</Quiet>
        {photo ? <QuietLink to={`/photos/of/${photo.id}`}>Its prints</QuietLink> : null}
      </Row>
      {photo && JSON.stringify(photo.stay) !== JSON.stringify(picture.stay) ? (
        <Quiet onPress={() => put({ ...picture, stay: photo.stay })}>
          What must stay of it was said anew since. Take that over
        </Quiet>
      ) : null}
      {measured ? (
        <Quiet
          onPress={() => {
            const sized = (['width', 'height'] as const).reduce(
              (now, axis) => setItemField(now, derived, part.item, [...part.group, axis], text(measured[axis])),
              page,
            );
            change(sized);
          }}
        >
          Its print was measured: {measured.width} × {measured.height}. Take that size
        </Quiet>
      ) : null}
      {wanted ? (
        <Row>
          {wanted.upDown ? (
            <LengthField
              label="the line lies so far from the lower edge"
              shown="the line lies, from the lower edge"
              value={wanted.upDown.at}
              unit={page.unit}
              options={{ allow: 'zero' }}
              width="5.5rem"
              onCommit={(at) => lie('upDown', at)}
            />
          ) : null}
          {wanted.across ? (
            <LengthField
              label="the spot lies so far from the left edge"
              shown="from the left edge"
              value={wanted.across.at}
              unit={page.unit}
              options={{ allow: 'zero' }}
              width="5.5rem"
              onCommit={(at) => lie('across', at)}
            />
          ) : null}
          {wanted.across && wanted.upDown ? (
            <Quiet onPress={() => put({ ...picture, wanted: { upDown: wanted.upDown! } })}>
              Only the height counts
            </Quiet>
          ) : null}
          <Quiet
            onPress={() => {
              const { wanted: _wanted, ...rest } = picture;
              put({ ...rest, ...framingNow(picture, shown) });
            }}
          >
            Let go of it
          </Quiet>
        </Row>
      ) : (
        <Quiet onPress={() => setPointing(!pointing)} aria-pressed={pointing}>
          {pointing ? 'Press the line or spot in the photo' : 'A line or spot of it is to lie somewhere'}
        </Quiet>
      )}
      {missed ? (
        <Notice kind="advice">
          <span>
            The photo does not reach: it lies {formatLength(Math.abs(missed), voice)} off. The print itself can be
            moved.
          </span>
          <Quiet
            onPress={() => {
              const box = derived.items.get(part.item)!.box;
              change(
                moveTo(page, derived, part.item, { x: box.x - shown.misses.across, y: box.y - shown.misses.upDown }),
              );
            }}
          >
            Move the print so
          </Quiet>
        </Notice>
      ) : null}
    </>
  );
}

/** The framing of what is seen now, where a wanted place decides it. */
function framingNow(picture: Picture, { crop }: NonNullable<Part['picture']>) {
  const ratio = crop.width / crop.height;
  const largest = Math.min(picture.width, picture.height * ratio);
  return {
    x: (crop.x + crop.width / 2) / picture.width,
    y: (crop.y + crop.height / 2) / picture.height,
    zoom: Math.min(20, Math.max(1, largest / crop.width)),
    keep: picture.keep,
  };
}

function WhichPhoto({ choose, leave }: { choose: (photo: Photo) => void; leave: (() => void) | null }) {
  const photos = usePhotos();
  const [line, setLine] = useState('');
  const offered = useMemo(() => {
    if (!photos.data) return [];
    const on = new Set(photos.data.shown.map((s) => s.photo));
    const found = findPhotos(photos.data.photos, parsePhotoQuery(line), on);
    // those that wait come first
    return [...found].sort((a, b) => Number(on.has(a.id)) - Number(on.has(b.id)));
  }, [photos.data, line]);
  if (photos.error) return <Says>The photos could not be fetched. {photos.error.message}</Says>;
  if (!photos.data) return null;
  return (
    <>
      <TypedField value={line} onChange={setLine}>
        <Label>Which photo is seen here?</Label>
        <Input autoComplete="off" placeholder="june, Longstrand, upright …" />
      </TypedField>
      {offered.length ? (
        <Strip aria-label="Photos">
          {offered.slice(0, OFFERED).map((photo) => (
            <li key={photo.id}>
              <button type="button" onClick={() => choose(photo)} aria-label={describePhoto(photo)}>
                <img src={photoUrl(photo.file, 'small')} alt="" loading="lazy" />
              </button>
            </li>
          ))}
        </Strip>
      ) : (
        <Says>{photos.data.photos.length ? 'No photo is like that.' : 'No photos were taken in yet.'}</Says>
      )}
      <Row>
        <QuietLink to="/photos">Take photos in</QuietLink>
        {leave ? <Quiet onPress={leave}>Leave it as it is</Quiet> : null}
      </Row>
    </>
  );
}
