"use client";
import { scaleLinear } from "d3";
import type { Cost } from "@/core/demand/cost";
import type { Side } from "@/core/units/fields";
import type { Computed } from "@/core/units/working/working";
import type { DailyCost } from "@/server/review/costs";
import { shortDay } from "@/ui/dates";
import { Said } from "@/ui/reader";
import { Figure } from "@/ui/working/Figure";
import { sayPlainly } from "@/words/say";

const W = 470;
const H = 40;
const MOST = 160;
const x = scaleLinear([0, MOST], [4, W - 8]).clamp(true);

/** One thing of daily life: the number with its working, where it lies against all that the leg can do, and its course. */
export function CostRow({ cost: c, side, locale }: { cost: DailyCost; side: Side; locale: string }) {
  const known = c.course.filter((p) => p.cost.percent !== null);
  const [first, last] = [known[0], known.at(-1)];
  return (
    <li className="grid grid-cols-1 lg:grid-cols-[230px_150px_minmax(0,1fr)_250px] items-center gap-x-4 border-b border-rule py-2">
      <div>
        <b>{c.name}</b>
        {c.whose && (
          <p className="small text-primary">
            {c.whose === "goal" ? "the client's own goal" : "everybody's day"}
          </p>
        )}
      </div>
      <Takes cost={c.own} />
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={wordsOf(c, side)}>
        <line x1={x(0)} x2={x(MOST)} y1={20} y2={20} className="stroke-rule" />
        <line x1={x(100)} x2={x(100)} y1={4} y2={36} strokeDasharray="4 3" className="stroke-mark" />
        <text x={x(100) + 4} y={12} className="fill-accent text-[12px]">
          all of it
        </text>
        <Place cost={c.other} isOwn={false} />
        <Place cost={c.own} isOwn />
      </svg>
      <p className="small">
        {first && last && first !== last
          ? `${c.own.spared ? unspared(c.own) : ""}${Math.round(first.cost.percent?.value ?? 0)} % on ${shortDay(first.on, locale)}, ${Math.round(last.cost.percent?.value ?? 0)} % on ${shortDay(last.on, locale)}`
          : first
            ? `first known on ${shortDay(first.on, locale)}`
            : ""}
      </p>
    </li>
  );
}

/** What it takes: as it is really done first, and then what it would be with this leg not spared. */
function Takes({ cost }: { cost: Cost }) {
  if (!cost.percent)
    return (
      <p className="small quiet">
        not known: <Said>{cost.because}</Said>
      </p>
    );
  const at = `${cost.isAtLeast ? "at least, " : ""}at ${Math.round(cost.hardestDeg)}°`;
  const { spared } = cost;
  if (!spared) return <Figure label={at} computed={cost.percent} />;
  return (
    <div>
      <Figure
        label={`as it is done, ${Math.round(100 * spared.share)} % of the weight on it`}
        computed={spared.percent}
      />
      <p className="small quiet">
        {unspared(cost)}
        {at}: {Math.round(cost.percent.value)} %
      </p>
    </div>
  );
}

function Place({ cost, isOwn }: { cost: Cost; isOwn: boolean }) {
  if (!cost.percent) return null;
  // where a leg is spared, that is what is done
  const { value, doubt } = (cost.spared ?? cost).percent as Computed;
  const y = isOwn ? 20 : 29;
  return (
    <g>
      <line
        x1={x(Math.max(0, value - (doubt ?? 0)))}
        x2={x(value + (doubt ?? 0))}
        y1={y}
        y2={y}
        strokeWidth={isOwn ? 5 : 1.5}
        className={isOwn ? "stroke-secondary" : "stroke-quiet"}
      />
      {isOwn ? (
        <circle cx={x(value)} cy={y} r={6} className="fill-primary" />
      ) : (
        <path
          d={`M ${x(value)} ${y - 5} l 5 5 l -5 5 l -5 -5 Z`}
          strokeWidth={1.5}
          className="fill-base-100 stroke-quiet"
        />
      )}
    </g>
  );
}

/** As it would be where this leg is not spared. */
const unspared = ({ task }: Cost): string =>
  task.kind === "chair" ? "both legs alike, " : "without the other leg's push, ";

const say = (cost: Cost): string =>
  cost.percent
    ? `${cost.spared ? `as it is done ${Math.round(cost.spared.percent.value)} %, ${unspared(cost)}` : ""}${cost.isAtLeast ? "at least " : ""}${Math.round(cost.percent.value)} % of what it can do, give or take ${Math.round(cost.percent.doubt ?? 0)}`
    : `not known: ${sayPlainly(cost.because)}`;

const wordsOf = (c: DailyCost, side: Side): string =>
  `${c.name}: ${side} leg ${say(c.own)}; the other leg ${say(c.other)}`;
