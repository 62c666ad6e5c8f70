/** The value below which so large a share lies, of the values themselves; 0 where there are none. */
export function percentile(all: readonly number[], share: number): number {
  const sorted = [...all].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}
