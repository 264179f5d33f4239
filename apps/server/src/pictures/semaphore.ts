/** Heavy work so many at a time, the rest in the order in which it came. */
export class Semaphore {
  private readonly waiting: (() => void)[] = [];
  private free: number;

  constructor(atATime: number) {
    this.free = atATime;
  }

  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.free > 0) this.free--;
    else await new Promise<void>((begin) => this.waiting.push(begin));
    try {
      return await work();
    } finally {
      const next = this.waiting.shift();
      if (next) next();
      else this.free++;
    }
  }
}
