/** A square matrix, row by row. */
export type Square = readonly (readonly number[])[];

/**
 * The x of a·x = b, by elimination with pivots.
 * @returns undefined where the equations do not decide it
 */
export function solve(a: Square, b: readonly number[]): number[] | undefined {
  const n = b.length;
  const rows = a.map((row, i) => [...row, b[i] ?? 0]);
  const size = Math.max(...rows.flat().map(Math.abs), 1e-300);
  for (let col = 0; col < n; col += 1) {
    const top = largestUp(rows, col);
    if (!top || Math.abs(top[col] ?? 0) < 1e-14 * size) return undefined;
    rows.forEach((row, r) => {
      const times = r === col ? 0 : (row[col] ?? 0) / (top[col] ?? 1);
      if (times) for (let c = col; c <= n; c += 1) row[c] = (row[c] ?? 0) - times * (top[c] ?? 0);
    });
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}

/** Brings the row that leads a column by most into its place. */
function largestUp(rows: number[][], col: number): number[] | undefined {
  let pivot = col;
  for (let r = col + 1; r < rows.length; r += 1)
    if (Math.abs(rows[r]?.[col] ?? 0) > Math.abs(rows[pivot]?.[col] ?? 0)) pivot = r;
  const top = rows[pivot];
  const other = rows[col];
  if (top && other) [rows[pivot], rows[col]] = [other, top];
  return top;
}

/** The inverse of a matrix, or undefined where it has none. */
export function inverse(a: Square): number[][] | undefined {
  const columns = a.map((_, i) =>
    solve(
      a,
      a.map((_row, r) => (r === i ? 1 : 0)),
    ),
  );
  if (columns.some((c) => !c)) return undefined;
  return a.map((_, r) => columns.map((c) => c?.[r] ?? 0));
}

/** Jᵀ·J and Jᵀ·r of residuals and their slopes. */
export function normal(
  slopes: readonly (readonly number[])[],
  residuals: readonly number[],
): { readonly a: number[][]; readonly b: number[] } {
  const n = slopes[0]?.length ?? 0;
  const a = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  const b = new Array<number>(n).fill(0);
  slopes.forEach((row, k) => {
    const residual = residuals[k] ?? 0;
    for (let i = 0; i < n; i += 1) {
      const s = row[i] ?? 0;
      if (!s) continue;
      b[i] = (b[i] ?? 0) + s * residual;
      const line = a[i];
      if (line) for (let j = 0; j < n; j += 1) line[j] = (line[j] ?? 0) + s * (row[j] ?? 0);
    }
  });
  return { a, b };
}

/** gᵀ·C·g: how uncertain what has the slopes g is, where C is the covariance. */
export const varianceAlong = (c: Square, g: readonly number[]): number =>
  c.reduce((sum, row, i) => sum + (g[i] ?? 0) * row.reduce((s, v, j) => s + v * (g[j] ?? 0), 0), 0);
