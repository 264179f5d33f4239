import { useId, useState } from 'react';
import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { MARKS, type Unit } from '@temnex/core/length';
import { computeLargestPrint, type Photo, type PhotoFacts } from '@temnex/core/photos';
import type { PhotoOnPage } from '@temnex/contract';
import { formatCount, formatPhotoName, formatPixels, formatSize } from '@temnex/words';
import { photoUrl } from '../../../data/photos.ts';
import { PlainLink, Quiet, QuietLink } from '../../../design/buttons.tsx';
import { TypedField } from '../../../design/Split.ts';
import { Tick } from '../../../design/Tick.tsx';
import { LengthField } from '../../../design/LengthField.tsx';

const Picture = styled.img`
  display: block;
  max-width: 100%;
  max-height: 15rem;
  outline: 1px solid var(--ink);
`;
const Fields = styled.div`
  display: grid;
  gap: 0.7rem;
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 1rem;
`;
const Facts = styled.p`
  font-size: var(--s1);
  color: var(--quiet);
`;

interface PhotoSlipProps {
  photos: readonly Photo[];
  all: readonly Photo[];
  shown: readonly PhotoOnPage[];
  unit: Unit;
  change: (facts: Partial<PhotoFacts>) => void;
  takeOut: () => void;
}

/** What all of several have in common, as it is typed; null where they differ. */
function common<K extends keyof PhotoFacts>(photos: readonly Photo[], key: K): Photo[K] | null {
  const [first, ...others] = photos;
  return first && others.every((p) => JSON.stringify(p[key]) === JSON.stringify(first[key])) ? first[key] : null;
}

/** What is said of the photos that are picked: when, where, who, what; of one its print, its pixels and where it is shown. */
export function PhotoPanel({ photos, all, shown, unit, change, takeOut }: PhotoSlipProps) {
  const [only, ...others] = photos;
  const one = only && !others.length ? only : null;
  const on = one ? shown.filter((s) => s.photo === one.id) : [];
  const day = common(photos, 'day');
  const dayId = useId();
  const people = [...new Set(all.flatMap((p) => p.people))].sort();
  const places = [...new Set(all.flatMap((p) => (p.place ? [p.place] : [])))].sort();
  const whats = [...new Set(all.flatMap((p) => (p.what ? [p.what] : [])))].sort();
  return (
    <>
      {one ? <Picture src={photoUrl(one.file, 'small')} alt="" /> : null}
      <h2>{one ? formatPhotoName(one) : formatCount(photos.length, 'photo')}</h2>
      {one ? <PlainLink to={`/photos/of/${one.id}`}>Crop it, order prints, put it on a page</PlainLink> : null}
      <Fields>
        <Row>
          <DayField key={day} id={dayId} day={day} onCommit={(text) => change({ day: text })} />
          <Tick
            checked={photos.every((p) => p.favourite)}
            onChange={() => change({ favourite: photos.some((p) => !p.favourite) })}
          >
            Favourite
          </Tick>
        </Row>
        <PhotoFactField
          label="where"
          value={common(photos, 'place') ?? ''}
          options={places}
          most={120}
          onCommit={(text) => change({ place: text || null })}
        />
        <PhotoFactField
          label="who (a comma between)"
          value={(common(photos, 'people') ?? []).join(', ')}
          options={people}
          most={400}
          onCommit={(text) => change({ people: [...new Set(text.split(',').map((name) => name.trim().slice(0, 60)).filter(Boolean))].slice(0, 40) })} // prettier-ignore
        />
        <PhotoFactField
          label="what, or which event"
          value={common(photos, 'what') ?? ''}
          options={whats}
          most={200}
          onCommit={(text) => change({ what: text || null })}
        />
      </Fields>
      {one ? <PrintThere photo={one} unit={unit} change={change} /> : null}
      {one ? (
        <Facts>
          {formatPixels(one)}. A good print is at most{' '}
          {(['fine', 'good', 'fair'] as const).map((density, i) => {
            const size = computeLargestPrint(one, density, MARKS['1/8']);
            return `${i ? ', ' : ''}${formatSize(size.width, size.height, { mark: MARKS['1/8'], figures: 'typeset' })} at ${{ fine: 300, good: 240, fair: 200 }[density]} to the inch`;
          })}
          .
        </Facts>
      ) : null}
      {on.length ? (
        <Facts as="ul">
          {on.map((s) => (
            <li key={`${s.page} ${s.part}`}>
              On <QuietLink to={`/page/${s.page}`}>{s.pageName}</QuietLink> as {s.part},{' '}
              {formatSize(s.width, s.height, { mark: MARKS['1/16'], figures: 'typeset' })}
            </li>
          ))}
        </Facts>
      ) : null}
      {one ? null : (
        <PlainLink to={`/photos/sketches?photos=${photos.map((p) => p.id).join('+')}`}>Lay them on a sketch</PlainLink>
      )}
      <Row>
        <Quiet onPress={takeOut}>Take {one ? 'it' : 'them'} out</Quiet>
      </Row>
    </>
  );
}

/** The print that there is of it. */
function PrintThere({ photo, unit, change }: { photo: Photo; unit: Unit; change: PhotoSlipProps['change'] }) {
  const { print, border } = photo;
  const usual = unit === 'in' ? { width: '4', height: '6' } : { width: '100', height: '150' };
  const level = photo.width > photo.height;
  if (!print)
    return (
      <Row>
        <Quiet
          onPress={() =>
            change({
              print: {
                ...(level ? { width: usual.height, height: usual.width } : usual),
                unit,
                known: 'assumed',
              },
            })
          }
        >
          There is a print of it
        </Quiet>
      </Row>
    );
  const give = (part: Partial<NonNullable<PhotoFacts['print']>>) =>
    change({ print: { ...print, known: 'measured', ...part } });
  return (
    <section aria-label="Its print">
      <Row>
        <LengthField
          label="how wide its print is"
          shown="print, wide"
          value={print.width}
          unit={print.unit}
          width="4.5rem"
          onCommit={(width) => give({ width })}
        />
        <LengthField
          label="how high its print is"
          shown="high"
          value={print.height}
          unit={print.unit}
          width="4.5rem"
          onCommit={(height) => give({ height })}
        />
        <LengthField
          label="its white border"
          shown="white border"
          value={border ?? '0'}
          unit={print.unit}
          options={{ allow: 'zero' }}
          width="4.5rem"
          onCommit={(text) => change({ border: text })}
        />
      </Row>
      <Row>
        <Tick
          checked={print.known === 'measured'}
          onChange={() => give({ known: print.known === 'measured' ? 'assumed' : 'measured' })}
        >
          Measured
        </Tick>
        <Quiet onPress={() => change({ print: null, border: null })}>There is none</Quiet>
      </Row>
    </section>
  );
}

/** A day, as the platform asks for one. */
function DayField({ id, day, onCommit }: { id: string; day: string | null; onCommit: (day: string | null) => void }) {
  const [text, setText] = useState(day ?? '');
  const commit = () => (text !== (day ?? '') ? onCommit(text || null) : undefined);
  return (
    <TypedField aria-label="when">
      <Label htmlFor={id}>when</Label>
      <Input
        id={id}
        type="date"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => (e.key === 'Enter' ? commit() : undefined)}
      />
    </TypedField>
  );
}

interface PhotoFactFieldProps {
  label: string;
  value: string;
  options: readonly string[];
  most: number;
  onCommit: (text: string) => void;
}

/** Words that are typed where they stand; what was said of others is offered. */
function PhotoFactField({ label, value, options, most, onCommit }: PhotoFactFieldProps) {
  const [text, setText] = useState(value);
  const list = useId();
  const commit = () => (text.trim() !== value ? onCommit(text.trim()) : undefined);
  return (
    <TypedField
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={(e) => (e.key === 'Enter' ? commit() : undefined)}
    >
      <Label>{label}</Label>
      <Input autoComplete="off" maxLength={most} list={list} />
      <datalist id={list}>
        {options.map((option) => (
          <option key={option} value={option} />
        ))}
      </datalist>
    </TypedField>
  );
}
