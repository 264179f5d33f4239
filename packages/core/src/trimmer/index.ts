export { countPlanStepsDone, buildTrimmerSteps, type TrimmerStep } from './steps.ts';
export {
  beginSession,
  applySessionEvent,
  sessionDeedSchema,
  sessionEventSchema,
  foldSession,
  type NoOpReason,
  type MeasuredPiece,
  type SessionDeed,
  type SessionEvent,
  type SessionState,
  type StepsOf,
} from './session.ts';
export {
  computeCalibration,
  diagnoseFence,
  measureDeviations,
  type FenceDiagnosis,
  type StripMeasured,
} from './measured.ts';
export { collectPencilled, planOfUntouched } from './pencilled.ts';
export { findPress, groupIntoPresses, type Press } from './presses.ts';
export { countMinutes } from './minutes.ts';
