/**
 * A linear programme that grows by columns: minimise cost over columns x ≥ 0 with A x = b, by the revised simplex method with
 * an explicit inverse (G. B. Dantzig; as used by P. C. Gilmore and R. E. Gomory, 1961). It starts from one column a row
 * that is always there, at a cost of its own, and is meant for some dozens of rows.
 */
export class Simplex {
  private readonly rows: number;
  private readonly inverse: Float64Array[];
  private readonly x: Float64Array;
  private readonly cost: Float64Array;
  /** [row] the name of the column in the basis; −1 − row for the one it started with */
  readonly basis: Int32Array;

  /** `right` ≥ 0; `cost` of a unit of the column that each row starts with. */
  constructor(right: readonly number[], cost: readonly number[]) {
    this.rows = right.length;
    this.x = Float64Array.from(right);
    this.cost = Float64Array.from(cost);
    this.basis = Int32Array.from(right, (_, i) => -1 - i);
    this.inverse = right.map((_, i) => Float64Array.from(right, (__, j) => (i === j ? 1 : 0)));
  }

  /** What one more of each row is worth. */
  prices(): Float64Array {
    const prices = new Float64Array(this.rows);
    for (let i = 0; i < this.rows; i++)
      for (let j = 0; j < this.rows; j++) prices[j]! += this.cost[i]! * this.inverse[i]![j]!;
    return prices;
  }

  /** Takes a column into the basis; false where it can grow without end, or nothing is left to do. */
  enter(name: number, column: ArrayLike<number>, cost: number): boolean {
    const d = this.inverse.map((row) => row.reduce((sum, v, j) => sum + v * column[j]!, 0));
    let out = -1;
    let least = Infinity;
    for (let i = 0; i < this.rows; i++) {
      if (d[i]! <= 1e-9) continue;
      const ratio = this.x[i]! / d[i]!;
      // of equals, the one with the smaller name leaves, so that it cannot go round in circles (R. G. Bland, 1977)
      if (ratio < least - 1e-12 || (ratio < least + 1e-12 && this.basis[i]! < this.basis[out]!))
        [least, out] = [ratio, i];
    }
    if (out < 0) return false;
    const pivot = this.inverse[out]!;
    for (let j = 0; j < this.rows; j++) pivot[j]! /= d[out]!;
    for (let i = 0; i < this.rows; i++) {
      if (i === out) continue;
      this.x[i] = Math.max(0, this.x[i]! - d[i]! * least);
      const row = this.inverse[i]!;
      for (let j = 0; j < this.rows; j++) row[j]! -= d[i]! * pivot[j]!;
    }
    this.x[out] = least;
    this.cost[out] = cost;
    this.basis[out] = name;
    return true;
  }

  /** [row] how much of the basis column there is. */
  amounts(): Float64Array {
    return this.x;
  }

  value(): number {
    return this.x.reduce((sum, v, i) => sum + v * this.cost[i]!, 0);
  }
}
