import { Button } from 'react-aria-components';
import { styled } from 'styled-components';
import { NARROW } from '../../design/global.ts';

/*
 * One step a screen, read from a metre away: the picture as large as there is room, beside it (below it on a phone) what is set
 * and what comes off, at the foot what one presses with an elbow.
 */
export const Room = styled.main`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100dvh;
  min-height: 30rem;
  background: var(--room);
  touch-action: manipulation;
`;
export const Top = styled.header`
  display: grid;
  gap: 0.45rem;
  padding: 0.6rem 1rem 0.5rem;
  background: var(--sheet);
  border-bottom: 2px solid var(--ink);
`;
export const TopRow = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 1rem;
  & > h1 {
    flex: 1;
    min-width: 8rem;
    font-size: var(--s2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;
export const Work = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.45fr) minmax(19rem, 1fr);
  min-height: 0;
  @media (orientation: portrait) {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(9rem, 1fr);
    & > :first-child {
      order: 2;
    }
  }
`;
export const PicturePart = styled.div`
  display: flex;
  min-width: 0;
  min-height: 0;
  padding: 1rem;
  background: var(--table);
  @media (orientation: portrait) {
    padding: 0.5rem;
  }
`;
export const StepText = styled.div`
  display: flex;
  flex-direction: column;
  gap: 0.35rem;
  min-width: 0;
  padding: 1rem 1.2rem;
  overflow-y: auto;
  font-size: clamp(1.15rem, 2.8vmin, 1.8rem);
  line-height: 1.25;
  & > h2 {
    font-size: clamp(1.5rem, 4.2vmin, 2.6rem);
  }
  & > p > b {
    font-weight: 600;
  }
  /* one style for all of it: with every step it is drawn anew. The figure that the fence is set to is 12 mm high and more on a tablet */
  & > [data-says='setting'] {
    padding: 0.1rem 0 0.15rem;
    font: 600 clamp(6rem, min(22vmin, 17vw), 12.5rem) / 0.92 var(--figures);
    letter-spacing: -0.03em;
    color: var(--cut);
    white-space: nowrap;
  }
  & > [data-says='size'] {
    font: 600 clamp(3rem, 9vmin, 5.5rem) / 1.05 var(--figures);
  }
  & > [data-says='off'] {
    padding: 0.35rem 0 0.35rem 0.7rem;
    border-left: 6px solid var(--cut);
    font-size: clamp(1.3rem, 3.2vmin, 2rem);
    font-weight: 600;
    & > small {
      display: block;
      font-size: clamp(0.9375rem, 1.8vmin, 1.2rem);
      font-weight: 400;
      color: var(--quiet);
    }
    & > span {
      display: block;
      font-size: clamp(1.05rem, 2.2vmin, 1.4rem);
      font-weight: 400;
    }
  }
  & > [data-says='rest'] {
    padding: 0.2rem 0 0.2rem 0.7rem;
    border-left: 6px solid var(--faint);
  }
  & > [data-says='caution'] {
    padding: 0.3rem 0.6rem;
    border: 2px dashed var(--ink);
    font-size: clamp(1rem, 2vmin, 1.25rem);
  }
  @media (orientation: portrait) {
    padding: 0.6rem 0.9rem;
    max-height: 52dvh;
  }
`;
export const Foot = styled.footer`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr 2.6fr;
  background: var(--sheet);
  border-top: 2px solid var(--ink);
  ${NARROW} {
    grid-template-columns: 1fr 1fr 1fr;
    & > :last-child {
      grid-column: 1 / -1;
      grid-row: 1;
    }
  }
`;
/** Large enough for an elbow: 72 px and more. */
export const LargeButton = styled(Button)`
  min-height: 4.5rem;
  padding: 0.4rem 0.7rem;
  border: 0;
  border-right: 1.5px solid var(--ink);
  border-radius: 0;
  background: transparent;
  font: 600 var(--s2) / 1.15 var(--text);
  cursor: pointer;
  &[data-hovered] {
    background: var(--room);
  }
  &[data-pressed] {
    background: var(--faint);
  }
  &[data-disabled] {
    color: #6a6a6a;
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: -5px;
  }
  ${NARROW} {
    min-height: 3.4rem;
    border-bottom: 1.5px solid var(--ink);
    &:nth-child(3) {
      border-right: 0;
    }
  }
`;
export const DoneButton = styled(LargeButton)`
  min-height: 5.5rem;
  border-right: 0;
  background: var(--ink);
  color: #fff;
  font: 600 clamp(1.6rem, 4vmin, 2.4rem) / 1 var(--figures);
  &[data-hovered] {
    background: #333;
  }
  &[data-pressed] {
    background: #555;
  }
  &[data-disabled] {
    background: var(--faint);
    color: #555;
  }
  &[data-focus-visible] {
    outline-color: #fff;
  }
  ${NARROW} {
    min-height: 5rem;
  }
`;
/** What was done is told beside the picture of the cut it is about. */
export const BesidePicture = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  min-height: 0;
  & > section {
    grid-column: auto;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    & > :last-child {
      display: none;
    }
  }
`;
export const Panel = styled.section`
  grid-column: 1 / -1;
  padding: 1.2rem 1.5rem 2rem;
  overflow-y: auto;
  background: var(--room);
  ${NARROW} {
    padding: 0.8rem 0.9rem 1.5rem;
  }
`;
