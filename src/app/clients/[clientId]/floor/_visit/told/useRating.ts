import { useEffect, useRef, useState } from "react";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { askedOf } from "@/core/visit/between/askedOf";
import type { currentTask, VisitState } from "@/core/visit/run";
import { taskKey } from "@/core/visit/tasks";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { useElsewhere } from "./useElsewhere";
import { useSeen } from "./useSeen";

type Doing = NonNullable<VisitState["under"]>["task"] | ReturnType<typeof currentTask>;

/** The answers after a set: its pain, what was left, what was really done, what was seen and felt; told together. */
export function useRating(
  state: VisitState,
  task: Doing,
  line: KeptLine | null,
  happen: (event: VisitEvent) => void,
) {
  const [pain, setPain] = useState<number | null>(null);
  const [left, setLeft] = useState<number | null>(null);
  const [reps, setReps] = useState<number | null>(null);
  const asked = task && line ? askedOf(state, task, line) : { reserve: false, felt: false };
  const needsLeft = asked.reserve || asked.felt;
  const didReps = reps ?? state.under?.reps ?? null;
  const ofSet = state.under && `${taskKey(state.under.task)} ${state.under.startedAtMs}`;
  const seen = useSeen(ofSet, didReps ?? task?.reps ?? null);
  const elsewhere = useElsewhere(ofSet);

  const rate = (p: number, l: number | null) => {
    happen({
      type: "rate",
      pain: p,
      reps: didReps,
      reserve: asked.reserve ? l : null,
      felt: asked.felt ? l : null,
      ...(seen.faults.length > 0 ? { faults: seen.faults } : {}),
      ...(elsewhere.said.length > 0 ? { elsewhere: elsewhere.said } : {}),
      recordId: crypto.randomUUID(),
      at: Date.now(),
    });
    setPain(null);
    setLeft(null);
    setReps(null);
  };
  // a set that was ended by its pain key is rated as soon as the fold has it
  const isAnswered = state.phase === "rating" && pain !== null && !needsLeft;
  const latestRate = useRef(rate);
  latestRate.current = rate;
  useEffect(() => {
    if (isAnswered && pain !== null) latestRate.current(pain, null);
  }, [isAnswered, pain]);
  return {
    ...{ asked, pain, left, didReps, setReps, seen, elsewhere },
    /** the next number that is pressed says what was left */
    asksLeft: state.phase === "rating" && pain !== null && needsLeft,
    answerPain: (n: number) => (needsLeft && left === null ? setPain(n) : rate(n, left)),
    answerLeft: (n: number) => {
      setLeft(n);
      if (pain !== null) rate(pain, n);
    },
    /** the pain of a set that is not over yet */
    keepPain: setPain,
  };
}
