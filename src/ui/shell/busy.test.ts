import { isWaiting, onWaiting, wait } from "./busy";

test("it is waited as long as one answer is out; an end that is told twice counts once", () => {
  const seen: boolean[] = [];
  const stop = onWaiting(() => seen.push(isWaiting()));
  const [first, second] = [wait(), wait()];
  first();
  first();
  expect(isWaiting()).toBe(true);
  second();
  expect(isWaiting()).toBe(false);
  expect(seen).toEqual([true, true, true, false]);
  stop();
  wait()();
  expect(seen).toHaveLength(4);
});
