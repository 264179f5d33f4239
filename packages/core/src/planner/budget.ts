/** The world outside, passed in: the core has no clock of its own. */
export interface Clock {
  /** Milliseconds since some start. */
  readonly now: () => number;
  readonly cancelled?: () => boolean;
}

/** How long a search may go on: until a time and for a number of steps. Parts of it can be handed on. */
export class Budget {
  private readonly clock: Clock;
  private readonly until: number;
  private left: number | null;
  private readonly of: Budget | null;

  /** `seconds` from now or `nodes` steps, whichever is over first; null: any number of steps. */
  static of(clock: Clock, seconds: number, nodes: number | null): Budget {
    return new Budget(clock, clock.now() + seconds * 1000, nodes, null);
  }

  private constructor(clock: Clock, until: number, nodes: number | null, of: Budget | null) {
    this.clock = clock;
    this.until = until;
    this.left = nodes;
    this.of = of;
  }

  over(): boolean {
    if (this.clock.cancelled?.()) return true;
    return (this.left !== null && this.left <= 0) || this.clock.now() >= this.until;
  }

  /** One step of the search is done. */
  spend(): void {
    if (this.left !== null) this.left--;
    this.of?.spend();
  }

  /** A budget of a share of what is left of this one. */
  share(part: number): Budget {
    const now = this.clock.now();
    const nodes = this.left === null ? null : Math.ceil(Math.max(0, this.left) * part);
    return new Budget(this.clock, now + Math.max(0, this.until - now) * part, nodes, this);
  }

  /** No more than so many steps of this one, and no longer. */
  capped(nodes: number): Budget {
    return new Budget(this.clock, this.until, nodes, this);
  }

  /** What is left of its time, whatever steps there are: for what has a limit of its own. */
  inTime(): Budget {
    return new Budget(this.clock, this.until, null, this);
  }

  /** Nothing but what comes at once: the first constructions. */
  none(): Budget {
    return new Budget(this.clock, -Infinity, 0, this);
  }
}
