"use client";
import { useState } from "react";
import type { InForce } from "@/core/bounds/inForce";
import type { PersonalFactor } from "@/core/isometrics/personalFactor";
import type { WeakerLeg } from "@/core/measure/weakerLeg";
import type { Exercise } from "@/core/rules/exercises";
import type { AllowedArc } from "@/core/selection/fit/allowedArc";
import type { SetPrediction } from "@/core/sheet/effect/sessionFatigue";
import type { JudgedLine } from "@/core/sheet/judge/judgeScore";
import { hasHoldAngle, usualHoldDeg } from "@/core/sheet/line/holdAngle";
import { type Legs, legsAllowed } from "@/core/sheet/line/legs";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { insideLimits } from "@/core/sheet/schemes/insideLimits";
import { plannedDeg } from "@/core/sheet/schemes/parts";
import { SCHEME_KINDS, type Scheme, type SchemeKind } from "@/core/sheet/schemes/scheme";
import { type PainfulArc, painfulArcOf } from "@/core/strength/painfulArc";
import type { Side } from "@/core/units/fields";
import type { MassUnit } from "@/core/units/mass";
import { asKept, fromKept } from "@/core/units/said";
import { firstIssue } from "@/core/units/wrong";
import { Link } from "@/ui/Link";
import { Said, useSay } from "@/ui/reader";
import { LEGS_WORDS, SCHEME_NAMES } from "@/words/en/plan/line";
import type { Line } from "../useScore";
import { LineFields } from "./LineFields";
import { NumberRow, SchemeFields } from "./SchemeFields";
import { HOLD_EFFORT_STARTS, type HoldEffort, SCHEME_STARTS } from "./schemeDefaults";
import { SetList, ToSet } from "./ToSet";
import { WindowFields } from "./WindowFields";

const STEP = 5;
const up = (deg: number) => Math.ceil(deg / STEP) * STEP;
const down = (deg: number) => Math.floor(deg / STEP) * STEP;

/** What the start of a line hangs on besides its exercise. */
export interface LineStart {
  /** how a first hold is asked for in this clinic and for this client */
  effort: HoldEffort;
  /** today's */
  limits: InForce;
  /** where it hurts, by the way the knee is moved */
  painfulArcs: readonly PainfulArc[];
}

/** A kind of scheme as it starts on a line: holds at the usual angle, legs as the exercise allows. */
export function schemeOn(
  judged: { open: { arc: AllowedArc } | null },
  e: Exercise,
  kind: SchemeKind,
  legs: Legs,
  { effort, limits }: Pick<LineStart, "effort" | "limits">,
) {
  const start: Scheme = SCHEME_STARTS[kind];
  const scheme =
    start.kind === "holds"
      ? {
          ...start,
          effort: HOLD_EFFORT_STARTS[effort],
          atDeg: judged.open ? usualHoldDeg(e, judged.open.arc) : start.atDeg,
        }
      : start;
  const allowed = legsAllowed(e, kind);
  return {
    scheme: insideLimits(scheme, limits),
    legs: allowed.includes(legs) ? legs : (allowed[0] ?? "together"),
    window: null,
    // what was set by hand was set for the scheme before
    loadKg: null,
    heightCm: null,
    help: null,
    ladder: null,
  };
}

/** One line of the session: its scheme, its numbers, its legs, its angles, its place. */
export function ItemEditor({
  judged,
  predictions,
  personal,
  side,
  weaker,
  massUnit,
  isFirst,
  start,
  forms,
  lighter,
  disabled,
  clientId,
  onChange,
  onMove,
  onRemove,
  onFind,
}: {
  judged: JudgedLine<Line> & { exercise: Exercise };
  predictions: readonly SetPrediction[];
  personal: PersonalFactor;
  side: Side;
  /** the clearly weaker leg in this exercise's direction */
  weaker: WeakerLeg | null;
  massUnit: MassUnit;
  isFirst: boolean;
  start: LineStart;
  /** the next easier and harder form of the exercise that fit today */
  forms: { easier: Exercise | null; harder: Exercise | null };
  /** the next means down where the lightest step is too heavy */
  lighter: { line: ScoreLine; name: string; how: string } | null;
  disabled: boolean;
  clientId: string;
  onChange: (part: Partial<ScoreLine>) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
  onFind: () => void;
}) {
  const say = useSay();
  const { line, exercise: e, open, load, bars, cautions } = judged;
  const { scheme } = line;
  const allowed = legsAllowed(e, scheme.kind);
  const arc = open?.arc;
  const toForm = (form: Exercise) =>
    onChange({
      exerciseId: form.id,
      ...schemeOn({ open: null }, form, scheme.kind, line.legs, start),
      scheme,
    });
  return (
    <section>
      <h2 className="text-[18px]">{e.name}</h2>
      <p className="small quiet">
        {open?.machineName ? `${open.machineName}, ` : ""}
        {arc ? `${Math.ceil(arc.fromDeg)}° to ${Math.floor(arc.toDeg)}° are open` : "barred today"}
      </p>
      <p className="small">
        <Link className="underline" href={`/clients/${clientId}/cards#${e.id}`}>
          set-up card
        </Link>{" "}
        ·{" "}
        <Link className="underline" href={`/clients/${clientId}/choose?row=${e.id}`}>
          in Choose
        </Link>
      </p>
      {line.why && (
        <p className="small">
          <b>Here because:</b> <Said>{fromKept(line.why)}</Said>.
        </p>
      )}
      <ToSet judged={judged} personal={personal} massUnit={massUnit} />
      {bars.map((b) => (
        <p key={asKept(b)} className="mt-1 border-l-4 border-accent pl-3" role="status">
          <b className="text-accent">Barred:</b> <Said>{b}</Said>.
        </p>
      ))}
      {load?.tooHeavyBecause && lighter && !disabled && (
        <button
          type="button"
          className="btn btn-line btn-sm mt-1 h-auto py-1.5"
          onClick={() => onChange(lighter.line)}
        >
          Take {lighter.name}: {lighter.how}
        </button>
      )}
      {(load?.brokenCap === "start" || line.aboveStart) && !disabled && (
        <AboveStart value={line.aboveStart ?? ""} onValue={(aboveStart) => onChange({ aboveStart })} />
      )}
      {cautions.map((c) => (
        <p key={asKept(c)} className="small mt-1 border-l-4 border-rule pl-3">
          <Said>{c}</Said>
        </p>
      ))}
      <fieldset disabled={disabled} className="mt-2 grid gap-1">
        <label className="flex items-center justify-between gap-3">
          scheme
          <select
            className="select select-sm w-[210px]"
            value={scheme.kind}
            onChange={(x) => onChange(schemeOn(judged, e, x.target.value as SchemeKind, line.legs, start))}
          >
            {SCHEME_KINDS.map((k) => (
              <option key={k} value={k}>
                {SCHEME_NAMES[k]}
              </option>
            ))}
          </select>
        </label>
        <SchemeFields value={scheme} onChange={(next) => onChange({ scheme: next })} />
        {scheme.kind === "holds" && hasHoldAngle(e) && arc && (
          <NumberRow
            label="knee at"
            unit="°"
            name="atDeg"
            least={up(arc.fromDeg)}
            most={down(arc.toDeg)}
            step={STEP}
            value={scheme.atDeg ?? down(arc.toDeg)}
            onValue={(atDeg) => {
              const found = plannedDeg.safeParse(atDeg);
              if (!found.success) return say(firstIssue(found.error));
              onChange({ scheme: { ...scheme, atDeg } });
              return null;
            }}
          />
        )}
        {scheme.kind !== "holds" && scheme.kind !== "stretch" && hasHoldAngle(e) && arc && (
          <WindowFields
            arc={{ fromDeg: up(arc.fromDeg), toDeg: down(arc.toDeg) }}
            line={line}
            painful={painfulArcOf(e.match.class, start.painfulArcs)}
            onChange={onChange}
          />
        )}
        <label className="flex items-center justify-between gap-3">
          legs
          <select
            className="select select-sm w-[210px]"
            value={line.legs}
            onChange={(x) => onChange({ legs: x.target.value as Legs })}
          >
            {[...new Set([...allowed, line.legs])].map((l) => (
              <option key={l} value={l}>
                {l === "one" ? `${side} leg only` : LEGS_WORDS[l]}
              </option>
            ))}
          </select>
        </label>
        {(line.legs === "in_turns" || line.legs === "one_after_other") && (
          <p className="small quiet">{firstLegWords(weaker, side)} The other does what it did, no more.</p>
        )}
        <LineFields judged={judged} onChange={onChange} />
        {!isFirst && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={line.sharesRests}
              onChange={(x) => onChange({ sharesRests: x.target.checked })}
            />
            in the rests of the line above <kbd>G</kbd>
          </label>
        )}
      </fieldset>
      <SetList judged={judged} predictions={predictions} />
      {!disabled && (
        <p className="mt-3 flex flex-wrap gap-1.5">
          <button type="button" className="btn btn-line btn-sm" onClick={() => onMove(-1)}>
            Up <kbd>U</kbd>
          </button>
          <button type="button" className="btn btn-line btn-sm" onClick={() => onMove(1)}>
            Down <kbd>D</kbd>
          </button>
          <button type="button" className="btn btn-line btn-sm" onClick={onRemove}>
            Take out <kbd>X</kbd>
          </button>
          {scheme.kind === "holds" && (
            <button type="button" className="btn btn-line btn-sm" onClick={onFind}>
              Find dose <kbd>F</kbd>
            </button>
          )}
        </p>
      )}
      {!disabled &&
        (["easier", "harder"] as const).map((way) => {
          const form = forms[way];
          return (
            form && (
              <button
                key={way}
                type="button"
                className="small mt-1 block cursor-pointer text-left underline"
                onClick={() => toForm(form)}
              >
                {way === "easier" ? "Easier form: " : "Harder form: "}
                {form.name}
              </button>
            )
          );
        })}
    </section>
  );
}

/** Which leg begins, and why. */
const firstLegWords = (weaker: WeakerLeg | null, side: Side): string =>
  weaker
    ? `The ${weaker.side} leg begins: weaker by ${Math.round(weaker.byPct)} %.`
    : `No clear difference was measured: the ${side} leg, which this is about, begins.`;

/** The therapist's reason to go above the start cap; it goes above nothing else. */
function AboveStart({ value, onValue }: { value: string; onValue: (reason: string | null) => void }) {
  const [words, setWords] = useState(value);
  return (
    <label className="mt-1 block">
      above the start because
      <input
        className="input input-sm w-full"
        value={words}
        maxLength={300}
        placeholder="for example: pressed 60 kg here last week"
        onChange={(x) => setWords(x.target.value)}
        onBlur={() => onValue(words.trim().length >= 5 ? words.trim() : null)}
      />
    </label>
  );
}
