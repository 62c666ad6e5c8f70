const MOST_STEPS = 80;
const CLOSE = 1e-12;

/**
 * Where a continuous function that changes sign between `low` and `high` is zero: false position that halves the
 * weight of an end that stays (Illinois), so that the bracket never breaks and few calls are needed.
 */
export function findRoot(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return a;
  if (fb === 0) return b;
  for (let i = 0; i < MOST_STEPS; i++) {
    const x = (a * fb - b * fa) / (fb - fa);
    const fx = f(x);
    if (Math.abs(fx) < CLOSE) return x;
    if (fx * fb < 0) {
      a = b;
      fa = fb;
    } else fa /= 2;
    b = x;
    fb = fx;
    if (Math.abs(b - a) < CLOSE) return b;
  }
  return b;
}
