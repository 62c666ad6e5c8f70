"use client";
import { useEffect, useMemo, useState } from "react";
import { z } from "zod";
import type { Body } from "@/core/body/segments";
import { MOST_TRACE_BYTES, traceFromCsv, traceToCsv } from "@/core/exchange/traceCsv";
import { isKneeMovement, MOVEMENTS, type Movement } from "@/core/strength/movements";
import {
  type EvaluatedTrial,
  evaluateTrial,
  resultOf,
  strengthTestInput,
  type TestSetUp,
  type TrialInput,
  testSetUp,
} from "@/core/strength/testInput";
import { painStopsTest, type TestCircumstances, testBarred } from "@/core/strength/testRules";
import { InputError } from "@/core/units/inputError";
import { readNumber } from "@/core/units/readNumber";
import { firstIssue, issueSaid } from "@/core/units/wrong";
import type { ClientEpisode } from "@/server/client/clients";
import { useSay } from "@/ui/reader";
import { useLoadCell } from "@/ui/useLoadCell";
import { useSendOnce } from "@/ui/useSendOnce";

/** Seconds of a maximal push. */
export const PUSH_S = 5;
export const MOST_TRIALS = 4;

const setUpSchema = testSetUp;

/** A test not saved yet; forces of another day are not saved as today's. */
const keptTest = (today: string) =>
  z.object({
    on: z.literal(today),
    id: z.uuid(),
    side: z.enum(["left", "right"]),
    angle: z.string(),
    joint: z.string(),
    lever: z.string(),
    pull: z.string(),
    zeroed: z.boolean(),
    trials: z.array(strengthTestInput.shape.trials.element).min(1),
  });

/** A strength test in the making: its set-up as typed, the trials taken, their judgement, and saving it. */
export function useStrengthTest({
  client,
  body,
  angle,
  onAngle,
  movement,
  circumstances,
  signBar,
  painMax,
  padDistanceM,
  today,
  onLock,
  onSaved,
}: {
  client: ClientEpisode;
  body: Body;
  angle: number;
  onAngle: (deg: number) => void;
  movement: Movement;
  circumstances: TestCircumstances["conditions"];
  signBar: string | null;
  /** of 10: the most joint pain that is allowed today */
  painMax: number;
  padDistanceM: number;
  today: string;
  /** whether side and angle are fixed by forces already taken */
  onLock: (isLocked: boolean) => void;
  onSaved: () => void;
}) {
  const say = useSay();
  const [side, setSide] = useState(client.side);
  const [angleText, setAngleText] = useState<string | null>(null);
  const [jointText, setJointText] = useState(String(MOVEMENTS[movement].usualDeg));
  const [leverText, setLeverText] = useState((usualLeverM(movement, padDistanceM) * 100).toFixed(0));
  const [pullText, setPullText] = useState("90");
  const isKnee = isKneeMovement(movement);
  const [zeroed, setZeroed] = useState(!isKnee);
  const [trials, setTrials] = useState<TrialInput[]>([]);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState<string | null>(null);
  const [testId, setTestId] = useState<string>(() => crypto.randomUUID());
  const cell = useLoadCell();
  // forces already taken belong to the side and angle they were taken at
  const isLocked = trials.length > 0 || cell.isStreaming;
  useEffect(() => onLock(isLocked), [isLocked, onLock]);
  // dragging the rail wins over what stands in the field
  useEffect(
    () => setAngleText((text) => (text !== null && readNumber(text) === angle ? text : null)),
    [angle],
  );

  const setUp: TestSetUp = {
    movement,
    jointAngleDeg: isKnee ? null : readNumber(jointText),
    side,
    kneeFlexionDeg: angleText === null ? angle : readNumber(angleText),
    leverArmM: readNumber(leverText) / 100,
    pullAngleDeg: readNumber(pullText),
    zeroedRelaxed: zeroed,
  };
  const checked = setUpSchema.safeParse(setUp);
  const setUpText = checked.success ? JSON.stringify(setUp) : null;
  const evaluated: EvaluatedTrial[] = useMemo(
    () => (setUpText ? trials.map((t) => evaluateTrial(JSON.parse(setUpText), body, t)) : []),
    [setUpText, trials, body],
  );
  const result = evaluated.length ? resultOf(evaluated) : null;
  const barred =
    signBar ??
    testBarred(movement, setUp.kneeFlexionDeg, {
      conditions: circumstances,
      side: side === client.side ? "involved" : "other",
    });
  const canSave = result !== null && result.status !== "need-more" && barred === null;
  const stopped = painStopsTest(
    trials.map((t) => t.pain),
    painMax,
  );
  const canPush =
    checked.success && (barred ?? stopped) === null && trials.length < MOST_TRIALS && !cell.isStreaming;

  const add = (trial: TrialInput) => {
    setSaved(null);
    setProblems({});
    setTrials((all) => (all.length < MOST_TRIALS ? [...all, trial] : all));
  };
  const push = () => {
    if (!canPush) return;
    const { kneeFlexionDeg, leverArmM } = setUp;
    cell.start(
      { client: client.clientId, side, movement, angle: kneeFlexionDeg, lever: leverArmM, seconds: PUSH_S },
      (trace) => add({ id: crypto.randomUUID(), source: "load_cell", trace: { ...trace } }),
    );
  };
  const loadFile = async (file: File) => {
    if (file.size > MOST_TRACE_BYTES)
      return setProblems({ file: "This file is larger than 4 MB; a trace of two minutes is far smaller." });
    try {
      add({ id: crypto.randomUUID(), source: "file", trace: traceFromCsv(await file.text()) });
    } catch (error) {
      setProblems({
        file:
          error instanceof InputError
            ? error.problems.map((p) => say(p.sentence)).join(" ")
            : "This file cannot be read.",
      });
    }
  };
  /** Adds a force that was read off; false if it makes no sense. */
  const addTyped = (text: string): boolean => {
    if (stopped) return false;
    const trial = { id: crypto.randomUUID(), source: "typed" as const, forceN: readNumber(text) };
    const parsed = strengthTestInput.shape.trials.element.safeParse(trial);
    if (parsed.success) add(trial);
    else setProblems({ forceN: say(firstIssue(parsed.error)) });
    return parsed.success;
  };
  const sendOnce = useSendOnce(testId);
  const save = async () => {
    if (!canSave || result === null) return;
    const sent = await sendOnce(`/api/clients/${client.clientId}/tests`, (id) => ({ id, ...setUp, trials }));
    if (!sent.ok)
      return setProblems(Object.fromEntries(sent.problems.map((p) => [p.field || "form", p.sentence])));
    setTrials([]);
    setSaved(`Saved: ${testedWords(setUp)}, ${result.value.toFixed(0)} N·m.`);
    setTestId(crypto.randomUUID());
    onSaved();
  };

  const setUpProblems = checked.success
    ? {}
    : Object.fromEntries(checked.error.issues.map((i) => [i.path.join("."), say(issueSaid(i))]));
  const keptShape = useMemo(() => keptTest(today), [today]);
  const angleKept = angleText ?? String(angle);
  // a trace is long: it is written out only when something of the test changed
  const draft = useMemo(
    () => ({
      ...{ on: today, id: testId, side, angle: angleKept, joint: jointText },
      ...{ lever: leverText, pull: pullText, zeroed, trials },
    }),
    [today, testId, side, angleKept, jointText, leverText, pullText, zeroed, trials],
  );
  return {
    kept: {
      place: testPlace(client.clientId, movement),
      shape: keptShape,
      draft,
      isChanged: trials.length > 0,
      onTake: (t: z.infer<typeof keptShape>) => {
        setTestId(t.id);
        setSide(t.side);
        setAngleText(t.angle);
        onAngle(readNumber(t.angle));
        setJointText(t.joint);
        setLeverText(t.lever);
        setPullText(t.pull);
        setZeroed(t.zeroed);
        setTrials(t.trials);
      },
    },
    cell,
    setUp,
    fields: {
      side,
      setSide,
      angleText: angleText ?? String(angle),
      editAngle: (text: string) => {
        setAngleText(text);
        const deg = readNumber(text);
        if (deg >= 10 && deg <= 110) onAngle(deg);
      },
      leverText,
      setLeverText,
      jointText,
      setJointText,
      pullText,
      setPullText,
      zeroed,
      setZeroed,
    },
    isLocked,
    barred: barred ?? stopped,
    hurt: (pain: number) =>
      setTrials((all) => all.map((t, i) => (i === all.length - 1 ? { ...t, pain } : t))),
    problems: { ...problems, ...setUpProblems } as Record<string, string>,
    trials,
    evaluated,
    result,
    saved,
    canPush,
    canSave,
    push,
    loadFile,
    addTyped,
    save,
    takeBack: (index: number) => setTrials((all) => all.filter((_, i) => i !== index)),
  };
}

/** Where a test is kept on the device until it is saved. */
export const testPlace = (clientId: string, movement: Movement | ""): string =>
  `test ${clientId} ${movement}`;

const usualLeverM = (m: Movement, padDistanceM: number): number =>
  isKneeMovement(m) ? padDistanceM : m === "calf" ? 0.14 : 0.4;

/** "right knee at 60°", "left hip abduction": what was tested, in words. */
export const testedWords = (t: Pick<TestSetUp, "movement" | "side" | "kneeFlexionDeg">): string =>
  t.movement === "knee_extension"
    ? `${t.side} knee at ${t.kneeFlexionDeg}°`
    : isKneeMovement(t.movement)
      ? `${t.side} ${MOVEMENTS[t.movement].name} at ${t.kneeFlexionDeg}°`
      : `${t.side} ${MOVEMENTS[t.movement].name}`;

export type StrengthTest = ReturnType<typeof useStrengthTest>;

/** Hands a trial's trace to the person as a file. */
export function downloadTrace(trial: TrialInput | undefined, name: string): void {
  if (!trial || trial.source === "typed") return;
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([traceToCsv(trial.trace)], { type: "text/csv" }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
