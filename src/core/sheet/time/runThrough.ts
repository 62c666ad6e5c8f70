import type { Legs } from "../line/legs";
import type { PlannedSet } from "../schemes/contract";
import { restLeftInTurnsS } from "../schemes/repetitionSeconds";
import {
  CHANGEOVER_S,
  LOGGING_S,
  MOVE_S,
  MOVE_SAME_MACHINE_S,
  SET_UP_S,
  SIDE_CHANGE_S,
  WARM_UP_S,
} from "./timing";

/** A line of a session as it is run. */
export interface RunLine {
  id: string;
  legs: Legs;
  /** its sets stand in the rests of the line above */
  sharesRests: boolean;
  /** null: no machine, or not known */
  machine: string | null;
  sets: readonly PlannedSet[];
}

/** One timer of a session: what runs, for how long, for which line, set and leg. */
export interface RunStep {
  kind: "warm_up" | "changeover" | "set_up" | "work" | "side_change" | "move" | "rest" | "logging";
  seconds: number;
  lineId: string | null;
  /** index into the line's sets, for work */
  set: number | null;
  leg: "both" | "first" | "second" | null;
}

const step = (kind: RunStep["kind"], seconds: number, lineId: string | null): RunStep => ({
  kind,
  seconds,
  lineId,
  set: null,
  leg: null,
});

const isHeld = (line: RunLine): boolean => line.sets.some((s) => s.holds !== null);
const total = (steps: readonly RunStep[]): number => steps.reduce((sum, s) => sum + s.seconds, 0);

/** One set on all legs that do it in turn. The last side change is the way back; after holds it falls away. */
function oneSet(line: RunLine, index: number): RunStep[] {
  const set = line.sets[index];
  if (!set) return [];
  const work = (leg: RunStep["leg"], seconds = set.workS): RunStep => ({
    kind: "work",
    seconds,
    lineId: line.id,
    set: index,
    leg,
  });
  const change = step("side_change", SIDE_CHANGE_S, line.id);
  switch (line.legs) {
    case "together":
      return [work("both")];
    case "one":
      return [work("first")];
    case "alternating":
      return [work("both", 2 * set.workS)];
    case "in_turns":
    case "one_after_other":
      return [work("first"), change, work("second"), ...(isHeld(line) ? [] : [change])];
  }
}

/** The sets of a line on its own, without setting it up. */
function alone(line: RunLine): RunStep[] {
  const rest = (seconds: number) => step("rest", seconds, line.id);
  const { sets } = line;
  if (line.legs === "one_after_other") {
    const leg = (which: "first" | "second") =>
      sets.flatMap((s, i): RunStep[] => [
        { kind: "work", seconds: s.workS, lineId: line.id, set: i, leg: which },
        ...(i < sets.length - 1 ? [rest(s.restS)] : []),
      ]);
    const change = step("side_change", SIDE_CHANGE_S, line.id);
    return [...leg("first"), change, ...leg("second"), ...(isHeld(line) ? [] : [change])];
  }
  return sets.flatMap((s, i) => {
    const seconds = line.legs === "in_turns" ? restLeftInTurnsS(s.restS, s.workS) : s.restS;
    return [...oneSet(line, i), ...(i < sets.length - 1 ? [rest(seconds)] : [])];
  });
}

/** Lines whose sets follow each other round by round: each rests while the others work. */
function rounds(group: readonly RunLine[]): RunStep[] {
  const count = Math.max(...group.map((l) => l.sets.length));
  const steps: RunStep[] = [];
  for (let i = 0; i < count; i++) {
    const inRound = group.filter((l) => l.sets[i]);
    const blocks = inRound.map((l) => oneSet(l, i));
    const round = blocks.flatMap((block, n) => {
      const next = inRound[(n + 1) % inRound.length] as RunLine;
      const isLast = n === blocks.length - 1;
      const moves = inRound.length > 1 && !(isLast && i === count - 1);
      return moves ? [...block, moveTo(inRound[n] as RunLine, next)] : block;
    });
    steps.push(...round);
    if (i === count - 1) continue;
    const roundS = total(round);
    const wait = Math.max(
      0,
      ...inRound.map((l, n) => (l.sets[i] as PlannedSet).restS - (roundS - total(blocks[n] as RunStep[]))),
    );
    steps.push(step("rest", wait, inRound[0]?.id ?? null));
  }
  return steps;
}

const isSameMachine = (a: RunLine, b: RunLine): boolean => a.machine !== null && a.machine === b.machine;
const moveTo = (from: RunLine, to: RunLine): RunStep =>
  step("move", isSameMachine(from, to) ? MOVE_SAME_MACHINE_S : MOVE_S, to.id);

/** Lines that share their rests stand together; all others alone. */
export function groupsOf<T extends { sharesRests: boolean }>(lines: readonly T[]): T[][] {
  const groups: T[][] = [];
  for (const line of lines) {
    const last = groups.at(-1);
    if (line.sharesRests && last) last.push(line);
    else groups.push([line]);
  }
  return groups;
}

/** The timers of one line or of lines that share their rests, from setting up on. */
export function groupSteps(group: readonly RunLine[]): RunStep[] {
  const setUps = group
    .filter((l, i) => !group.slice(0, i).some((before) => isSameMachine(before, l)))
    .map((l) => step("set_up", SET_UP_S, l.id));
  const [first] = group;
  return [...setUps, ...(group.length === 1 && first ? alone(first) : rounds(group))];
}

/** Every timer of a session in order, as the floor runs it if nobody dawdles. Dosing rules H3. */
export function runThrough(lines: readonly RunLine[]): RunStep[] {
  return [
    step("warm_up", WARM_UP_S, null),
    ...groupsOf(lines).flatMap((group, i) => [
      ...(i > 0 ? [step("changeover", CHANGEOVER_S, null)] : []),
      ...groupSteps(group),
      ...group.map((l) => step("logging", LOGGING_S, l.id)),
    ]),
  ];
}

export const runSeconds = total;

/** What needs the therapist's hands. */
const HANDS_ON: ReadonlySet<RunStep["kind"]> = new Set(["set_up", "changeover", "logging"]);

/**
 * How long a session takes beside others of its kind on the floor: at best as long as alone, at worst every set-up,
 * changeover and entry of the others comes first.
 */
export function sharedSeconds(steps: readonly RunStep[], lanes: number): { least: number; most: number } {
  const hands = total(steps.filter((s) => HANDS_ON.has(s.kind)));
  const least = total(steps);
  return { least, most: least + (lanes - 1) * hands };
}
