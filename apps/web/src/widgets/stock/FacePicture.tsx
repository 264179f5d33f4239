import { FileTrigger } from 'react-aria-components';
import { useMutation } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { PaperFace } from '@temnex/core/stock';
import { PICTURE_TYPES, paperPictureSchema, type PaperPicture } from '@temnex/contract';
import { requestJson } from '../../data/client.ts';
import { Quiet } from '../../design/buttons.tsx';
import { LengthField } from '../../design/LengthField.tsx';

const Refused = styled.p`
  flex-basis: 100%;
  color: var(--cut);
  font-size: var(--s1);
`;

/** How wide the paper is that a picture shows, until somebody says otherwise. */
const ACROSS = '12';

interface FacePictureProps {
  face: PaperFace;
  paper: string;
  change: (part: Partial<PaperFace>) => void;
}

/** A picture of a face in place of its drawn look: taken in, how much of the paper it shows, and its main colours taken over. */
export function FacePicture({ face, paper, change }: FacePictureProps) {
  const { look } = face;
  const send = useMutation({
    mutationFn: (file: File): Promise<PaperPicture> =>
      requestJson(
        'POST',
        '/api/pictures/papers',
        paperPictureSchema,
        file.slice(0, file.size, file.type || 'image/jpeg'),
      ),
    onSuccess: ({ colours, ...picture }) => {
      const [ground = look.ground, ink = ground] = colours;
      change({
        look: { ...look, ground, ink, picture: { ...picture, across: look.picture?.across ?? ACROSS } },
        ...(colours.length ? { colours } : {}),
      });
    },
  });
  const of = `side ${face.side} of ${paper}`;
  const { picture, ...drawn } = look;
  return (
    <>
      <FileTrigger
        acceptedFileTypes={[...PICTURE_TYPES]}
        onSelect={(files) => (files?.[0] ? send.mutate(files[0]) : undefined)}
      >
        <Quiet isDisabled={send.isPending} aria-label={`A picture of ${of}`}>
          {send.isPending ? 'Taking it in …' : picture ? 'Another picture' : 'A picture of it'}
        </Quiet>
      </FileTrigger>
      {picture ? (
        <>
          <LengthField
            label={`how wide the paper is that the picture of ${of} shows`}
            shown="shows across"
            value={picture.across}
            unit="in"
            width="4.5rem"
            onCommit={(across) => change({ look: { ...look, picture: { ...picture, across } } })}
          />
          <Quiet onPress={() => change({ look: drawn })} aria-label={`Draw ${of} again`}>
            Drawn instead
          </Quiet>
        </>
      ) : null}
      {send.error ? <Refused role="alert">{send.error.message}</Refused> : null}
    </>
  );
}
