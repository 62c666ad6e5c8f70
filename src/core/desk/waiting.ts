import type { PlateauBecause } from "../capacity/plateau";
import type { Action } from "../progression/safetyRules";
import type { RequestKind } from "../requests/requestInput";
import type { Return } from "../schedule/daysOff";
import type { Direction } from "../selection/setUp/strengthKnown";
import type { GoneLine } from "../sheet/line/gone";
import type { Said } from "../units/said";
import { type ConcernSaid, concernSaid } from "../visit/concerns";
import type { DayFacts } from "./dayFacts";
import type { MatterKind } from "./matters";
import { morningIsDue, morningMissing, type PathStep, stepsOf } from "./path";

/** What waits at a client, or comes next, to be said. */
export type WaitSaid =
  | ConcernSaid
  | {
      code: `desk.${
        | "screening_stop"
        | "screening_hold"
        | "sign_stands"
        | "stopped"
        | "open_visit"
        | "ask_morning"
        | "morning_later"
        | "screen_again"
        | "screen_first"
        | "hand_limits"
        | "first_sheet"}`;
    }
  | { code: "desk.sign_since"; signs: string }
  | { code: "desk.gone"; line: GoneLine }
  | { code: "desk.change_gone"; line: GoneLine }
  | { code: "desk.drafts_say" | "desk.decide"; strictest: Action | null }
  | { code: "desk.request"; by: string; kind: RequestKind; words: string }
  | { code: "desk.planned"; name: string; at: string | null; isAtGym: boolean; isShort: boolean }
  | { code: "desk.days_off"; days: number; proposed: Return }
  | { code: "desk.return_bar"; sentence: string }
  | { code: "desk.run"; names: readonly string[] }
  | { code: "desk.limit_ends"; limit: string; endsOn: string }
  | { code: "desk.phase_opens"; phase: string }
  | { code: "desk.confirm_phase"; conditions: readonly string[] }
  | { code: "desk.plateau"; direction: Direction; because: PlateauBecause }
  | { code: "desk.measure_strength"; because: Said }
  | { code: "desk.measure"; what: Said; because: Said; more: number };

/** One thing that waits for somebody at a client, with where it is done. */
export interface Matter {
  kind: MatterKind;
  why: WaitSaid;
  step: PathStep;
  query?: string;
  /** what is asked for, where it can be allowed or refused in place */
  requestId?: string;
}

/** The one thing to do next. */
export interface Next {
  step: PathStep;
  query?: string;
  why: WaitSaid;
  needsHand: boolean;
}

/** What bars work today, and where it is lifted. */
export interface Bars {
  why: { code: "desk.bars"; sentence: Said } | { code: "desk.sign_bars"; signs: string };
  step: PathStep;
}

export function barsOf(f: DayFacts): Bars | null {
  const said = (sentence: Said) => ({ code: "desk.bars" as const, sentence });
  if (f.screening.barsPlanning) return { why: said(f.screening.barsPlanning), step: "screen" };
  if (f.warning) return { why: { code: "desk.sign_bars", signs: f.warning }, step: "floor" };
  return f.handLimits ? { why: said(f.handLimits), step: "limits" } : null;
}

const ofSheet = (sheetId: string | null | undefined) => (sheetId ? { query: `?sheet=${sheetId}` } : {});

/** A part of what can wait, found where it applies. */
type Found = Matter & { needsHand?: boolean };
const found = (applies: unknown, matter: () => Found): Found[] => (applies ? [matter()] : []);

const FIND = {
  concern: (f: DayFacts): Found[] =>
    f.concerns.map((c) => ({ kind: "concern", step: "decide", why: concernSaid(c) })),
  gone: (f: DayFacts): Found[] =>
    f.gone.map((line) => ({
      kind: "gone",
      step: "dose",
      why: { code: "desk.gone", line },
      ...ofSheet(line.sheetId),
    })),
  screening: ({ screening: { status } }: DayFacts): Found[] =>
    found(status === "stop" || status === "hold", () => ({
      kind: "stop",
      step: "screen",
      why: { code: status === "stop" ? "desk.screening_stop" : "desk.screening_hold" },
    })),
  sign: (f: DayFacts): Found[] =>
    found(f.warning, () => ({
      kind: "stop",
      step: "floor",
      why: { code: "desk.sign_since", signs: f.warning ?? "" },
    })),
  stopped: (f: DayFacts): Found[] =>
    found(f.isStopped, () => ({ kind: "stop", step: "dose", why: { code: "desk.stopped" } })),
  open_visit: (f: DayFacts): Found[] =>
    found(stepsOf(f).floor.why.code === "path.open_visit", () => ({
      kind: "open_visit",
      step: "floor",
      why: { code: "desk.open_visit" },
    })),
  morning: (f: DayFacts): Found[] =>
    found(morningIsDue(f), () => ({ kind: "morning", step: "morning", why: { code: "desk.ask_morning" } })),
  decision: (f: DayFacts): Found[] =>
    found(f.draft?.hasMorning && !f.morningWaits, () => ({
      kind: "decision",
      step: "decide",
      why: { code: "desk.drafts_say", strictest: f.draft?.strictest ?? null },
      needsHand: f.draft?.strictest === "REGRESS" || f.draft?.strictest === "STOP_REFER",
    })),
  request: (f: DayFacts): Found[] =>
    f.requests.map((r) => ({
      kind: "request",
      step: r.kind === "go_on" ? "decide" : "dose",
      why: { code: "desk.request", by: r.by, kind: r.kind, words: r.words },
      requestId: r.id,
      ...(r.kind === "go_on" ? {} : ofSheet(r.sheetId)),
    })),
  planned: (f: DayFacts): Found[] =>
    (f.block?.today ?? []).map(({ name, at, isAtGym, isShort, sheetId }) => ({
      kind: "planned",
      step: isAtGym ? "floor" : "week",
      why: { code: "desk.planned", name, at, isAtGym, isShort },
      ...(isAtGym ? ofSheet(sheetId) : {}),
    })),
  days_off: (f: DayFacts): Found[] =>
    f.daysOff ? [{ kind: "plan", step: "week", why: { code: "desk.days_off", ...f.daysOff } }] : [],
  run: (f: DayFacts): Found[] => {
    const { floor } = stepsOf(f);
    return found(floor.state === "due" && floor.why.code !== "path.open_visit", () => ({
      kind: "run",
      step: "floor",
      why: { code: "desk.run", names: f.ready.map((s) => s.name) },
      ...(f.ready.length === 1 ? ofSheet(f.ready[0]?.sheetId) : {}),
    }));
  },
  limit_ends: (f: DayFacts): Found[] =>
    f.ending.map((e) => ({ kind: "limit_ends", step: "limits", why: { code: "desk.limit_ends", ...e } })),
  phase_opens: (f: DayFacts): Found[] =>
    f.opens.map((phase) => ({ kind: "criteria", step: "limits", why: { code: "desk.phase_opens", phase } })),
  plan: (f: DayFacts): Found[] => {
    const { status, barsPlanning } = f.screening;
    if (barsPlanning && status !== "stop" && status !== "hold")
      return [
        {
          kind: "plan",
          step: "screen",
          why: { code: status === "due" ? "desk.screen_again" : "desk.screen_first" },
        },
      ];
    if (f.handLimits) return [{ kind: "plan", step: "limits", why: { code: "desk.hand_limits" } }];
    return found(stepsOf(f).dose.state === "due", () => ({
      kind: "plan",
      step: "dose",
      why: { code: "desk.first_sheet" },
    }));
  },
  confirm_phase: (f: DayFacts): Found[] =>
    found(f.unconfirmed.length > 0, () => ({
      kind: "plan",
      step: "limits",
      why: { code: "desk.confirm_phase", conditions: f.unconfirmed },
    })),
  plateau: (f: DayFacts): Found[] =>
    f.plateaus.map((p) => ({ kind: "plateau", step: "review", why: { code: "desk.plateau", ...p } })),
  retest: (f: DayFacts): Found[] => {
    const [first, ...more] = f.due;
    return first
      ? [
          {
            kind: "retest",
            step: "measure",
            why: { code: "desk.measure", what: first.what, because: first.because, more: more.length },
          },
        ]
      : [];
  },
} satisfies Record<string, (f: DayFacts) => Found[]>;

/** All that waits at a client; the desk orders it by who looks. */
export const mattersOf = (f: DayFacts): Matter[] =>
  Object.values(FIND).flatMap((find) => find(f).map(({ needsHand: _hand, ...matter }) => matter));

/** What comes next at a client, each before what stands below it. */
const FIRST_OF: readonly ((f: DayFacts) => Next | null)[] = [
  (f) => led(FIND.concern(f)),
  (f) => led(FIND.screening(f)),
  (f) => (f.warning ? { step: "floor", why: { code: "desk.sign_stands" }, needsHand: true } : null),
  (f) => led(FIND.open_visit(f)),
  (f) =>
    morningMissing(f) && !morningIsDue(f)
      ? { step: "morning", why: { code: "desk.morning_later" }, needsHand: false }
      : null,
  (f) => led(FIND.morning(f)),
  (f) => {
    const next = led(FIND.decision(f));
    const strictest = f.draft?.strictest ?? null;
    return next && { ...next, why: { code: "desk.decide", strictest } };
  },
  (f) => (stepsOf(f).floor.why.code === "path.stopped" ? led(FIND.stopped(f)) : null),
  (f) => (f.screening.barsPlanning || f.handLimits ? led(FIND.plan(f)) : null),
  (f) =>
    f.returnBar
      ? {
          step: f.daysOff ? "week" : "measure",
          why: { code: "desk.return_bar", sentence: f.returnBar },
          needsHand: true,
        }
      : null,
  (f) => {
    const strength = f.due.find((d) => d.kind === "extension_strength");
    return strength
      ? {
          step: "measure",
          why: { code: "desk.measure_strength", because: strength.because },
          needsHand: true,
        }
      : null;
  },
  (f) => led(FIND.phase_opens(f)),
  (f) => led(FIND.plan(f)),
  (f) => {
    const [line] = f.ready.length === 0 ? f.gone : [];
    return line
      ? { step: "dose", ...ofSheet(line.sheetId), why: { code: "desk.change_gone", line }, needsHand: true }
      : null;
  },
];

/** The first of what waits, as what comes next. */
function led([first]: readonly Found[]): Next | null {
  if (!first) return null;
  const { step, query, why, needsHand = true } = first;
  return { step, ...(query ? { query } : {}), why, needsHand };
}

export function nextOf(f: DayFacts): Next {
  for (const find of FIRST_OF) {
    const next = find(f);
    if (next) return next;
  }
  const [ready] = f.ready;
  return {
    step: "floor",
    ...ofSheet(ready?.sheetId),
    why: { code: "desk.run", names: ready ? [ready.name] : [] },
    needsHand: false,
  };
}
