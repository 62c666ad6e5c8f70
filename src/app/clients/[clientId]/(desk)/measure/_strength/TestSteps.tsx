"use client";
import { useEffect, useState } from "react";
import { ORDINAL } from "./TrialRows";
import { MOST_TRIALS } from "./useStrengthTest";

/** Seconds between two maximal pushes; dosing rules F6. */
const REST_S = 60;
const TICK_MS = 250;

/** Where a test stands, one thing at a time: set up, push, pain, rest counted down, again. */
export function TestSteps({
  isPushing,
  taken,
  asksPain,
  isDone,
}: {
  isPushing: boolean;
  taken: number;
  asksPain: boolean;
  isDone: boolean;
}) {
  const left = useRest(isPushing ? 0 : taken);
  const now = isPushing ? "push" : asksPain ? "rest" : "set up";
  const words = isPushing
    ? "Push: build up over a second, hold"
    : taken >= MOST_TRIALS
      ? "Four trials are the most"
      : left > 0
        ? `Rest ${left} s, then the ${ORDINAL[taken]} trial`
        : isDone
          ? "Ready for another test"
          : `Ready for the ${ORDINAL[taken]} trial`;
  return (
    <div className="mb-1">
      <ol className="small flex gap-4" aria-hidden>
        {(["set up", "push", "rest"] as const).map((step, i) => (
          <li key={step} className={step === now ? "font-bold text-primary" : "quiet"}>
            {i + 1} {step === "rest" ? "pain, rest" : step}
          </li>
        ))}
      </ol>
      <p className="text-[17px] font-bold" role="timer">
        {words}
      </p>
      <svg viewBox={`0 0 ${REST_S} 1`} preserveAspectRatio="none" className="block h-1 w-full" aria-hidden>
        <rect width={REST_S} height={1} className="fill-rule" />
        <rect width={left} height={1} className="fill-primary" />
      </svg>
    </div>
  );
}

/** Whole seconds of rest that are left since the newest trial; nobody is held back by it. */
function useRest(taken: number): number {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (taken === 0) return setSince(null);
    setSince(performance.now());
    setNow(performance.now());
  }, [taken]);
  const left = since === null ? 0 : Math.max(0, Math.ceil(REST_S - (now - since) / 1000));
  const isResting = left > 0;
  useEffect(() => {
    if (!isResting) return;
    const timer = window.setInterval(() => setNow(performance.now()), TICK_MS);
    return () => window.clearInterval(timer);
  }, [isResting]);
  return left;
}
