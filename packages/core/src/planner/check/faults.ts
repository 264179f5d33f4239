/** A rule that a plan breaks, and where. `said` and `is` are lengths or areas in the job's unit, or names. */
export interface PlanFault {
  readonly code:
    | 'unit'
    | 'unknown-stock'
    | 'unknown-piece'
    | 'no-such-copy'
    | 'cut-twice'
    | 'held-back'
    | 'yields-nothing'
    | 'root-size'
    | 'empty-part'
    | 'malformed'
    | 'does-not-fill'
    | 'kerf'
    | 'beyond-reach'
    | 'too-narrow'
    | 'keep-rule'
    | 'size'
    | 'paper'
    | 'side'
    | 'direction'
    | 'count'
    | 'status'
    | 'totals'
    | 'bound'
    | 'pinned'
    | 'opening'
    | 'windmill'
    | 'cut-through'
    | 'outside'
    | 'step-part'
    | 'step-setting'
    | 'step-mark'
    | 'dial'
    | 'sliver'
    | 'step-missing';
  readonly where: string;
  readonly said?: number | string;
  readonly is?: number | string;
}

export type Report = (code: PlanFault['code'], where: string, said?: number | string, is?: number | string) => void;
