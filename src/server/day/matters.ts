import "server-only";
import type { MatterKind } from "@/core/desk/matters";
import { ACTION_WORDS } from "@/core/progression/safetyRules";
import { REQUEST_KINDS } from "@/core/requests/requestInput";
import type { Return } from "@/core/schedule/daysOff";
import { goneSentence } from "@/core/sheet/line/gone";
import { concernSaid } from "@/core/visit/concerns";
import { sayPlainly } from "@/words/say";
import type { DayFacts, PathStep, Steps } from "./steps";

/** One thing that waits for somebody at a client, with where it is done. */
export interface Matter {
  kind: MatterKind;
  sentence: string;
  step: PathStep;
  query?: string;
  /** what is asked for, where it can be allowed or refused in place */
  requestId?: string;
}

const RETURN_WORDS: Record<Return, string> = {
  same: "to go on",
  step_back: "one step back",
  start_again: "to start again from a test",
};

/** All that waits at a client; the desk orders it by who looks. */
export function mattersOf(steps: Steps, f: DayFacts): Matter[] {
  const found: Matter[] = [];
  const add = (kind: MatterKind, step: PathStep, sentence: string, more: Partial<Matter> = {}) =>
    found.push({ kind, step, sentence, ...more });
  const { screening, draft } = f;
  for (const c of f.concerns) add("concern", "decide", sayPlainly(concernSaid(c)));
  for (const g of f.gone) add("gone", "dose", goneSentence(g), { query: `?sheet=${g.sheetId}` });
  if (screening.status === "stop")
    add("stop", "screen", "A warning sign of the screening stands: refer or clear it");
  if (screening.status === "hold")
    add("stop", "screen", "A warning sign stands: ask the physician, or clear it");
  if (f.warning) add("stop", "floor", `Since the last answer: ${f.warning}`);
  if (f.isStopped) add("stop", "dose", "Stopped and to refer; a new version opens it again");
  if (steps.floor.words === "visit is open") add("open_visit", "floor", "A visit is open: go on with it");
  if (draft && !draft.visit.morning && !f.morningWaits)
    add("morning", "morning", "How was the morning after the last visit?");
  if (draft && !f.morningWaits && draft.visit.morning)
    add(
      "decision",
      "decide",
      draft.strictest
        ? `The drafts say ${ACTION_WORDS[draft.strictest].toLowerCase()} at the strictest`
        : "Nothing can be drafted yet",
    );
  for (const r of f.requests)
    add(
      "request",
      r.kind === "go_on" ? "decide" : "dose",
      `${r.by} asks for ${REQUEST_KINDS[r.kind]}: ${r.words}`,
      {
        requestId: r.id,
        ...(r.sheetId && r.kind !== "go_on" ? { query: `?sheet=${r.sheetId}` } : {}),
      },
    );
  for (const p of f.block?.today ?? [])
    add(
      "planned",
      p.place === "gym" ? "floor" : "week",
      `${p.at ? `${p.at}, ` : ""}${p.name}${p.place === "gym" ? "" : ", at home"}`,
      p.place === "gym" ? { query: `?sheet=${p.sheetId}` } : {},
    );
  if (f.daysOff)
    add(
      "plan",
      "week",
      `${f.daysOff.days} days without work: ${RETURN_WORDS[f.daysOff.proposed]} is proposed`,
    );
  if (steps.floor.state === "due" && steps.floor.words !== "visit is open")
    add("run", "floor", `Run ${f.ready.map((s) => s.name).join(" or ")}`, {
      ...(f.ready[0] && f.ready.length === 1 ? { query: `?sheet=${f.ready[0].sheetId}` } : {}),
    });
  for (const words of f.ending) add("limit_ends", "limits", words);
  for (const phase of f.opens) add("criteria", "limits", `Every criterion is met: “${phase}” can open`);
  if (screening.barsPlanning && screening.status !== "stop" && screening.status !== "hold")
    add(
      "plan",
      "screen",
      screening.status === "due" ? "Ask the warning signs again" : "Ask the warning signs first",
    );
  else if (f.handLimits) add("plan", "limits", "The rules do not cover this: write limits by hand");
  else if (steps.dose.state === "due") add("plan", "dose", "Plan the first sheet");
  if (f.unconfirmed.length > 0) add("plan", "limits", `Confirm the phase: ${f.unconfirmed.join(", ")}`);
  const [first, ...more] = f.due;
  if (first)
    add(
      "retest",
      "measure",
      `${first.what}: ${first.because}${more.length > 0 ? `, and ${more.length} more` : ""}`,
    );
  return found;
}
