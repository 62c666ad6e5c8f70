"use client";
import { HELP_IDS } from "@/core/selection/setUp/aid";
import { type HeightOf, heightsOf } from "@/core/selection/setUp/quiet/heights";
import type { JudgedLine } from "@/core/sheet/judge/judgeScore";
import { repsLadder } from "@/core/sheet/line/repsLadder";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { loadSaid } from "@/core/visit/client/homeSaid";
import { DayField } from "@/ui/form/DayField";
import { useSay } from "@/ui/reader";
import { HELP } from "@/words/en/plan/setUp";
import type { Line } from "../useScore";
import { NumberRow } from "./SchemeFields";

const up5 = (deg: number) => Math.ceil(deg / 5) * 5;
const down5 = (deg: number) => Math.floor(deg / 5) * 5;

/** What a line keeps through its versions: the load that was set, the way it climbs, what it may do by itself. */
export function LineFields({
  judged,
  onChange,
}: {
  judged: JudgedLine<Line>;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  return (
    <>
      <LoadField judged={judged} onChange={onChange} />
      <HeightField judged={judged} onChange={onChange} />
      <HelpField judged={judged} onChange={onChange} />
      <LadderFields judged={judged} onChange={onChange} />
      <OrderFields line={judged.line} onChange={onChange} />
    </>
  );
}

/** The real load that is set, where another than the scheme's own is meant. */
function LoadField({
  judged,
  onChange,
}: {
  judged: JudgedLine<Line>;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  const say = useSay();
  const { load, line } = judged;
  const setting = load?.setting;
  if (!setting || setting.loads.length === 0) return null;
  const isByHand = line.loadKg != null;
  return (
    <label className="flex items-center justify-between gap-3">
      load
      <select
        className="select select-sm w-[210px]"
        value={isByHand ? String(setting.load) : ""}
        onChange={(e) => onChange({ loadKg: e.target.value === "" ? null : Number(e.target.value) })}
      >
        <option value="">
          {isByHand ? "as computed" : `as computed: ${say(loadSaid(setting.how, setting.load))}`}
        </option>
        {setting.loads.map((l) => (
          <option key={l.load} value={String(l.load)}>
            {say(loadSaid(l.how, l.load))}
          </option>
        ))}
      </select>
    </label>
  );
}

const HEIGHT_LABELS: Readonly<Record<HeightOf, string>> = {
  seat: "seat",
  box: "box",
  pad: "pad under the knee",
};

/** How high it sits, touches or kneels, where that is what makes it harder. */
function HeightField({
  judged: { exercise, height, line },
  onChange,
}: {
  judged: JudgedLine<Line>;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  const heights = exercise && heightsOf(exercise);
  if (!heights || !height) return null;
  const all = [...new Set([...heights.cm, height.cm])].sort((a, b) => b - a);
  return (
    <label className="flex items-center justify-between gap-3">
      {HEIGHT_LABELS[heights.of]}
      <select
        className="select select-sm w-[210px]"
        value={line.heightCm == null ? "" : String(height.cm)}
        onChange={(e) => onChange({ heightCm: e.target.value === "" ? null : Number(e.target.value) })}
      >
        <option value="">{line.heightCm == null ? `as usual: ${height.cm} cm` : "as usual"}</option>
        {all.map((cm) => (
          <option key={cm} value={String(cm)}>
            {cm} cm
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is held on to, where somebody planned it. Rule P3. */
function HelpField({
  judged: { line },
  onChange,
}: {
  judged: JudgedLine<Line>;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  if (line.help == null) return null;
  return (
    <label className="flex items-center justify-between gap-3">
      held on to
      <select
        className="select select-sm w-[210px]"
        value={line.help}
        onChange={(e) => onChange({ help: HELP_IDS.find((id) => id === e.target.value) ?? null })}
      >
        <option value="">as the last time</option>
        {HELP_IDS.map((id) => (
          <option key={id} value={id}>
            {HELP[id]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** From where to where it climbs: angles of a hold, or repetitions before the load steps. */
function LadderFields({
  judged,
  onChange,
}: {
  judged: JudgedLine<Line>;
  onChange: (part: Partial<ScoreLine>) => void;
}) {
  const { line, open } = judged;
  const { scheme, ladder } = line;
  const arc = open?.arc;
  if (scheme.kind === "holds" && scheme.atDeg !== null && arc) {
    const now =
      ladder?.of === "angle" ? ladder : { of: "angle" as const, fromDeg: scheme.atDeg, toDeg: scheme.atDeg };
    const set = (part: Partial<typeof now>) => {
      onChange({ ladder: { ...now, ...part } });
      return null;
    };
    const ends = { unit: "°", least: up5(arc.fromDeg), most: down5(arc.toDeg), step: 5 };
    return (
      <div className="grid grid-cols-2 gap-x-4">
        <NumberRow
          {...ends}
          label="climbs from"
          name="ladderFromDeg"
          value={now.fromDeg}
          onValue={(fromDeg) => (fromDeg % 5 ? "In steps of 5 degrees." : set({ fromDeg }))}
        />
        <NumberRow
          {...ends}
          label="up to"
          name="ladderToDeg"
          value={now.toDeg}
          onValue={(toDeg) => (toDeg % 5 ? "In steps of 5 degrees." : set({ toDeg }))}
        />
      </div>
    );
  }
  const climbed = repsLadder(line);
  if (!climbed) return null;
  const now = { of: "reps" as const, ...climbed };
  const set = (part: Partial<typeof now>): string | null => {
    const next = { ...now, ...part };
    if (next.most < next.least) return "The most repetitions are at least the fewest.";
    onChange({ ladder: next });
    return null;
  };
  const ends = { unit: "", least: 1, most: 40, step: 1 };
  return (
    <div className="grid grid-cols-2 gap-x-4">
      <NumberRow
        {...ends}
        label="climbs from"
        name="leastReps"
        value={now.least}
        onValue={(least) => set({ least })}
      />
      <NumberRow {...ends} label="up to" name="mostReps" value={now.most} onValue={(most) => set({ most })} />
    </div>
  );
}

const ORDERS = {
  none: "a therapist decides",
  back: "may stay and step back",
  up: "may also step up",
} as const;
const ORDER_DAYS = 28;

/** What the line may do by itself once the morning is known, until when. */
function OrderFields({ line, onChange }: { line: Line; onChange: (part: Partial<ScoreLine>) => void }) {
  const order = line.standingOrder ?? null;
  const inDays = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10);
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1">
      <label className="flex items-center gap-2">
        by itself
        <select
          className="select select-sm w-[180px]"
          value={order?.allows ?? "none"}
          onChange={(e) =>
            onChange({
              standingOrder:
                e.target.value === "none"
                  ? null
                  : {
                      mostDeg: null,
                      mostKg: null,
                      untilOn: inDays(ORDER_DAYS),
                      ...order,
                      allows: e.target.value as "back" | "up",
                    },
            })
          }
        >
          {(Object.keys(ORDERS) as (keyof typeof ORDERS)[]).map((k) => (
            <option key={k} value={k}>
              {ORDERS[k]}
            </option>
          ))}
        </select>
      </label>
      {order && (
        <DayField
          label="until"
          name="untilOn"
          isLabelBeside
          value={order.untilOn}
          onChange={(on) => on && onChange({ standingOrder: { ...order, untilOn: on } })}
        />
      )}
      {order && (
        <p className="small quiet w-full">
          After a known morning inside the pain rule{order.by ? `, order of ${order.by}` : ""}; stops and what
          is missing wait for a therapist.
        </p>
      )}
    </div>
  );
}
