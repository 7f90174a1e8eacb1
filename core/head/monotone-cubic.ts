/**
 * Periodic monotone cubic interpolation (PCHIP): passes through the knots and never overshoots between them.
 * Slopes by the weighted harmonic mean of Fritsch and Butland, "A method for constructing local monotone
 * piecewise
 * cubic interpolants" (1984).
 *
 * @param xs ascending knots within one period
 * @param ys values at the knots
 * @param period length after which the curve repeats
 */
export function monotoneCubic(
  xs: readonly number[],
  ys: readonly number[],
  period: number,
): (x: number) => number {
  const n = xs.length;
  const gap = xs.map((x, i) => (i + 1 < n ? xs[i + 1] : xs[0] + period) - x);
  const rise = ys.map((y, i) => (ys[(i + 1) % n] - y) / gap[i]);
  const slopes = ys.map((_, i) => {
    const before = (i + n - 1) % n;
    if (rise[before] * rise[i] <= 0) return 0;
    const w1 = 2 * gap[i] + gap[before];
    const w2 = gap[i] + 2 * gap[before];
    return (w1 + w2) / (w1 / rise[before] + w2 / rise[i]);
  });
  return (x) => {
    let wrapped = x - Math.floor((x - xs[0]) / period) * period;
    if (wrapped >= xs[0] + period) wrapped -= period;
    let i = n - 1;
    while (i > 0 && xs[i] > wrapped) i -= 1;
    const h = gap[i];
    const f = (wrapped - xs[i]) / h;
    const next = (i + 1) % n;
    const f2 = f * f;
    const f3 = f2 * f;
    return (
      (2 * f3 - 3 * f2 + 1) * ys[i] +
      (f3 - 2 * f2 + f) * h * slopes[i] +
      (3 * f2 - 2 * f3) * ys[next] +
      (f3 - f2) * h * slopes[next]
    );
  };
}
