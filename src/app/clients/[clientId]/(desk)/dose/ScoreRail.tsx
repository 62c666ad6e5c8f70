"use client";
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { SetPrediction } from "@/core/sheet/effect/sessionFatigue";
import type { JudgedLine } from "@/core/sheet/judge/judgeScore";
import { hasHoldAngle } from "@/core/sheet/line/holdAngle";
import type { Fix, OrderNote } from "@/core/sheet/order/sessionScore";
import type { SchemeTotals } from "@/core/sheet/schemes/schemeTotals";
import { type PainfulArc, painfulArcOf } from "@/core/strength/painfulArc";
import { PainfulBand } from "@/ui/rail/PainfulBand";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL, xOf } from "@/ui/rail/scale";
import { twoLines } from "@/ui/rail/twoLines";
import { painfulShort } from "@/words/en/plan/painfulArc";
import { schemeWords } from "./_line/schemeDefaults";
import { NoteMark } from "./_sheet/NoteMark";
import type { Line } from "./useScore";

const HEIGHT = 54;
const MIDDLE = 27;
const LETTERS = 21;
/** Right of the rail, under the minutes: a bar of predicted effort for each set. */
const BARS = { left: RAIL.right + 6, top: 31, height: 19, each: 6, most: 10 } as const;

/** The lines under the ruler: a thick line where a repetition travels, a disc where a hold sits, words where the knee is quiet. */
export function ScoreRail({
  judged,
  totals,
  ties,
  predictions,
  notes,
  picked,
  mayMove,
  onPick,
  onPlace,
  onFix,
  painfulArcs,
}: {
  judged: readonly JudgedLine<Line>[];
  totals: ReadonlyMap<string, SchemeTotals>;
  ties: ReadonlyMap<string, string>;
  predictions: readonly SetPrediction[];
  /** what there is to say about lines, each a mark at its own */
  notes: readonly OrderNote[];
  picked: string | null;
  mayMove: boolean;
  onPick: (key: string) => void;
  onPlace: (key: string, to: number) => void;
  onFix: ((fix: Fix) => void) | null;
  /** where it hurts, by the way the knee is moved */
  painfulArcs: readonly PainfulArc[];
}) {
  // a click picks, a drag of some pixels moves; the keys U and D do the same
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const keys = judged.map((j) => j.line.key);
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onPlace(String(active.id), keys.indexOf(String(over.id)));
  };
  return (
    <div className="mt-2">
      <svg viewBox={`0 0 ${RAIL.width} 34`} className="w-full">
        <title>Knee flexion</title>
        <Ruler />
      </svg>
      <DndContext id="session-lines" sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={keys} strategy={verticalListSortingStrategy} disabled={!mayMove}>
          <ol>
            {judged.map((j, i) => (
              <Row
                key={j.line.key}
                judged={j}
                place={i + 1}
                total={totals.get(j.line.key) ?? null}
                isTied={ties.get(j.line.key) !== undefined}
                isTieEnd={ties.get(j.line.key) !== ties.get(judged[i + 1]?.line.key ?? "")}
                predictions={predictions.filter((p) => p.lineId === j.line.key && p.leg !== "second")}
                notes={notes.filter((n) => n.itemId === j.line.key)}
                isPicked={j.line.key === picked}
                painful={j.exercise && painfulArcOf(j.exercise.match.class, painfulArcs)}
                onFix={onFix}
                onPick={() => onPick(j.line.key)}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </div>
  );
}

function Row({
  judged,
  place,
  total,
  isTied,
  isTieEnd,
  predictions,
  notes,
  isPicked,
  painful,
  onPick,
  onFix,
}: {
  judged: JudgedLine<Line>;
  place: number;
  total: SchemeTotals | null;
  isTied: boolean;
  isTieEnd: boolean;
  predictions: readonly SetPrediction[];
  notes: readonly OrderNote[];
  isPicked: boolean;
  painful: PainfulArc | null;
  onPick: () => void;
  onFix: ((fix: Fix) => void) | null;
}) {
  const { line, exercise, bars } = judged;
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: line.key });
  const name = exercise?.name ?? line.exerciseId;
  const names = twoLines(`${place}. ${name}`, LETTERS);
  const isBarred = bars.length > 0;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative ${isDragging ? "z-10 opacity-80" : ""}`}
    >
      <button
        type="button"
        {...listeners}
        aria-pressed={isPicked}
        onClick={onPick}
        className={`block w-full cursor-pointer touch-none border-b border-rule text-left ${isPicked ? "bg-base-100 shadow-[inset_4px_0_0_var(--color-primary)]" : ""}`}
      >
        <svg
          viewBox={`0 0 ${RAIL.width} ${HEIGHT}`}
          className="block w-full"
          role="img"
          aria-label={`${place}. ${name}, ${schemeWords(line.scheme)}${line.sharesRests ? ", in the rests of the line above" : ""}${isBarred ? ", barred" : ""}${painful ? `, ${painfulShort(painful)}` : ""}`}
        >
          {isTied && (
            <path
              d={`M 4 ${line.sharesRests ? 0 : 10} V ${isTieEnd ? HEIGHT - 10 : HEIGHT}${line.sharesRests ? "" : " M 4 10 h 5"}${isTieEnd ? ` M 4 ${HEIGHT - 10} h 5` : ""}`}
              strokeWidth={2}
              fill="none"
              className="stroke-primary"
            />
          )}
          {names.map((words, n) => (
            <text
              key={words}
              x={10}
              y={16 + n * 14}
              fontSize={12.5}
              fontWeight={650}
              className="fill-current"
            >
              {words}
            </text>
          ))}
          <text
            x={10}
            y={16 + names.length * 14}
            fontSize={12}
            className={isBarred ? "fill-accent" : "fill-quiet"}
          >
            {isBarred ? "barred: see at the right" : schemeWords(line.scheme)}
          </text>
          {painful && exercise && hasHoldAngle(exercise) && (
            <PainfulBand {...painful} y={4} height={HEIGHT - 10} words={painfulShort(painful)} />
          )}
          <Mark judged={judged} />
          <text x={RAIL.right + 6} y={13} fontSize={12.5} className="fill-current">
            {total ? `${Math.max(1, Math.round(total.seconds / 60))} min` : ""}
          </text>
          <text x={RAIL.right + 6} y={26} fontSize={12} className="fill-quiet">
            {total?.effective ? `${total.effective} ${total.effective === 1 ? "set" : "sets"}` : ""}
          </text>
          <EffortBars predictions={predictions} />
        </svg>
      </button>
      {bars.length === 0 && (
        <NoteMark notes={notes} of={name} onFix={onFix} className="absolute bottom-1 right-[10.5%]" />
      )}
    </li>
  );
}

/** One bar a set, of holds one a hold; an early end has a cross on top and another tone. */
function EffortBars({ predictions }: { predictions: readonly SetPrediction[] }) {
  const y = (felt: number) => BARS.top + BARS.height * (1 - felt / 10);
  const bars = predictions.flatMap((p) =>
    (p.byHold ?? [p.effort.value]).map((felt, i, all) => ({
      key: `${p.set} ${p.leg} ${i}`,
      felt,
      isEarly: p.endsAt !== null && i === all.length - 1,
    })),
  );
  return (
    <g>
      {bars.slice(0, BARS.most).map((b, i) => (
        <g key={b.key}>
          <rect
            x={BARS.left + i * BARS.each}
            y={y(b.felt)}
            width={BARS.each - 2}
            height={BARS.top + BARS.height - y(b.felt)}
            className={b.isEarly ? "fill-mark" : "fill-primary"}
          />
          {b.isEarly && (
            <text x={BARS.left + i * BARS.each - 0.5} y={BARS.top + 3} fontSize={11} className="fill-accent">
              ×
            </text>
          )}
        </g>
      ))}
      {bars.length > BARS.most && (
        <text
          x={BARS.left + BARS.most * BARS.each}
          y={BARS.top + BARS.height}
          fontSize={12}
          className="fill-quiet"
        >
          …
        </text>
      )}
      {bars.length > 0 && (
        <line
          x1={BARS.left}
          x2={BARS.left + BARS.each * BARS.most}
          y1={BARS.top + BARS.height + 1}
          y2={BARS.top + BARS.height + 1}
          className="stroke-rule"
        />
      )}
    </g>
  );
}

/** Where the knee works: quiet work says so. */
function Mark({ judged }: { judged: JudgedLine<Line> }) {
  const { exercise: e, line, open } = judged;
  if (!e || !open) return null;
  if (!hasHoldAngle(e))
    return (
      <text x={RAIL.left} y={MIDDLE + 4} fontSize={12.5} className="fill-quiet">
        the knee stays quiet
      </text>
    );
  const { scheme, window } = line;
  const isHold = scheme.kind === "holds";
  const arc = isHold ? open.arc : (window ?? open.arc);
  const [x1, x2] = [xOf(arc.fromDeg), xOf(arc.toDeg)];
  const bent = (scheme.kind === "partials" || scheme.kind === "pulses") && scheme.end === "short" ? 0 : 0.6;
  return (
    <g>
      {window && !isHold && (
        <line
          x1={xOf(open.arc.fromDeg)}
          x2={xOf(open.arc.toDeg)}
          y1={MIDDLE}
          y2={MIDDLE}
          strokeWidth={1.2}
          strokeDasharray="2 4"
          className="stroke-primary"
        />
      )}
      <line
        x1={x1}
        x2={x2}
        y1={MIDDLE}
        y2={MIDDLE}
        strokeWidth={isHold ? 1.2 : 7}
        strokeLinecap="round"
        strokeDasharray={isHold ? "2 4" : undefined}
        className="stroke-primary"
      />
      {isHold && scheme.atDeg !== null && (
        <>
          <circle cx={xOf(scheme.atDeg)} cy={MIDDLE} r={9} className="fill-primary" />
          <text
            x={xOf(scheme.atDeg)}
            y={MIDDLE - 13}
            textAnchor="middle"
            fontSize={12}
            className="fill-current"
          >
            {scheme.atDeg}°
          </text>
        </>
      )}
      {(scheme.kind === "partials" || scheme.kind === "pulses" || scheme.kind === "lowering") && (
        <line
          x1={x1 + (x2 - x1) * bent}
          x2={x1 + (x2 - x1) * (bent + 0.4)}
          y1={MIDDLE}
          y2={MIDDLE}
          strokeWidth={11}
          className="stroke-mark"
        />
      )}
    </g>
  );
}
