import { LEAST_WINDOW_DEG, type ScoreLine, scoreLine } from "@/core/sheet/line/scoreInput";
import { ANGLE_STEP_DEG } from "@/core/sheet/schemes/parts";
import { aroundPain, comesInto, type PainfulArc } from "@/core/strength/painfulArc";
import { saidWith } from "@/core/units/said";
import { firstIssue } from "@/core/units/wrong";
import { Said, useSay } from "@/ui/reader";
import type { Line } from "../useScore";
import { NumberRow } from "./SchemeFields";

/** The part of the open arc that repetitions travel. */
export function WindowFields({
  arc,
  line,
  painful,
  onChange,
}: {
  arc: { fromDeg: number; toDeg: number };
  line: Line;
  painful: PainfulArc | null;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  const say = useSay();
  const { window } = line;
  const set = (part: { fromDeg?: number; toDeg?: number }): string | null => {
    const found = scoreLine.shape.window.safeParse({ ...(window ?? arc), ...part });
    if (!found.success) return say(firstIssue(found.error));
    onChange({ window: found.data });
    return null;
  };
  return (
    <div>
      <div className="flex items-center justify-between gap-2">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={window === null}
            onChange={(x) => onChange({ window: x.target.checked ? null : arc })}
          />
          all of the open arc
        </label>
        {window && (
          <span className="flex gap-2">
            {(["fromDeg", "toDeg"] as const).map((end) => (
              <NumberRow
                key={end}
                label={end === "fromDeg" ? "from" : "to"}
                unit="°"
                name={end}
                least={arc.fromDeg}
                most={arc.toDeg}
                step={ANGLE_STEP_DEG}
                value={window[end]}
                onValue={(deg) => set({ [end]: deg })}
              />
            ))}
          </span>
        )}
      </div>
      {painful && (
        <AroundPain
          painful={painful}
          span={window ?? arc}
          arc={arc}
          onWindow={(w) => onChange({ window: w })}
        />
      )}
    </div>
  );
}

/** What hurts in this way of moving, and the windows beside it. Rule K27. */
function AroundPain({
  painful,
  span,
  arc,
  onWindow,
}: {
  painful: PainfulArc;
  span: { fromDeg: number; toDeg: number };
  arc: { fromDeg: number; toDeg: number };
  onWindow: (window: { fromDeg: number; toDeg: number }) => void;
}) {
  if (!comesInto(span, painful)) return null;
  const beside = aroundPain(arc, painful, { stepDeg: ANGLE_STEP_DEG, leastDeg: LEAST_WINDOW_DEG });
  return (
    <p className="small mt-1 border-l-4 border-accent pl-2">
      <Said>{saidWith("drafts.comes_into", { ...painful })}</Said>{" "}
      {beside.length === 0
        ? "No part beside it is wide enough: more in reserve, or another exercise."
        : "Beside it: "}
      {beside.map((w) => (
        <button
          key={w.fromDeg}
          type="button"
          className="btn btn-xs btn-line ml-1"
          onClick={() => onWindow(w)}
        >
          {w.fromDeg}° to {w.toDeg}°
        </button>
      ))}
    </p>
  );
}
