export { cutsDone, trimmerSteps, type TrimmerStep } from './steps.ts';
export {
  beginSession,
  sessionAfter,
  sessionDeedSchema,
  sessionEventSchema,
  sessionOf,
  type Idle,
  type Measured,
  type SessionDeed,
  type SessionEvent,
  type SessionState,
  type StepsOf,
} from './session.ts';
export { calibrationOf, fenceSays, offBy, type FenceSays, type StripMeasured } from './measured.ts';
export { pencilledIn, untouchedPlan } from './pencilled.ts';
export { pressAt, pressesOf, type Press } from './presses.ts';
export { minutesOf } from './minutes.ts';
