import { onSaid, saidNow, say } from "./said";

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test("a line is shown for a moment; a newer one takes its place and its own time", () => {
  const seen: (string | null)[] = [];
  const stop = onSaid(() => seen.push(saidNow()?.words ?? null));
  say("The limit stands.");
  jest.advanceTimersByTime(3000);
  say("The limit stands.");
  jest.advanceTimersByTime(3000);
  // the first one's end does not take the second away
  expect(saidNow()?.words).toBe("The limit stands.");
  jest.advanceTimersByTime(1500);
  expect(saidNow()).toBeNull();
  expect(seen).toEqual(["The limit stands.", "The limit stands.", null]);
  stop();
});
