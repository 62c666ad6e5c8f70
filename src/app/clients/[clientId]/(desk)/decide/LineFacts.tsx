import type { ReactNode } from "react";
import { rungsOf } from "@/core/decision/nextLine";
import { cleanPercent } from "@/core/rules/faults/faults";
import type { Activity } from "@/core/schedule/activity";
import { confounding } from "@/core/story/besides";
import type { MarkerScores } from "@/core/story/markers";
import { isWorthFinding, type PainfulArc } from "@/core/strength/painfulArc";
import { SWELLING_WORDS } from "@/core/units/fields";
import type { ClientEpisode } from "@/server/client/clients";
import type { LineDraft } from "@/server/decide/decisionDrafts";
import { Term } from "@/ui/help/Term";
import { Link } from "@/ui/Link";
import { SCHOOL_WORDS } from "@/words/en/decide";
import { painfulShort } from "@/words/en/plan/painfulArc";
import { activityWords, MARKERS, PAIN_REGIONS } from "@/words/en/story";
import { FAULT_WORDS } from "@/words/en/visit/faults";

const REACHED = {
  below: "less than planned",
  in: "nearly all",
  top: "all of it",
  unknown: "not known",
} as const;

/** What the table looked at for one line: its own sets first, then what all lines of the visit share. */
export function LineFacts({
  client,
  line,
  painful,
  besides,
  markers,
}: {
  client: ClientEpisode;
  line: LineDraft;
  /** what the line comes into */
  painful: PainfulArc | null;
  /** what else was done on the day of the visit */
  besides: readonly Activity[];
  /** movements before the first set and after the last */
  markers: readonly MarkerScores[];
}) {
  const { input } = line;
  const isHeld = line.kept.kind === "holds";
  const known = (n: number | null): string => (n === null ? "not known" : String(n));
  const swelling = (grade: number | null): string =>
    grade === null ? "not known" : (SWELLING_WORDS[grade] ?? "–");
  const own: [ReactNode, ReactNode][] = [
    ["before it", known(input.painBefore)],
    ["worst in a set", known(input.painDuring)],
    ...(painful || isWorthFinding(input)
      ? ([["in its way", <InItsWay key="way" clientId={client.clientId} painful={painful} />]] as [
          ReactNode,
          ReactNode,
        ][])
      : []),
    [isHeld ? "held" : "done", REACHED[input.repsState]],
    [
      isHeld ? (
        "felt effort, aim and was"
      ) : (
        <Term key="reserve" id="reserve">
          in reserve, aim and was
        </Term>
      ),
      isHeld
        ? `${10 - input.rirTarget}, ${input.rir === null ? "not known" : 10 - input.rir}`
        : `${input.rirTarget}, ${known(input.rir)}`,
    ],
    ...(line.done.faults.length > 0
      ? ([["seen in it", seenWords(line.done)]] as [ReactNode, ReactNode][])
      : []),
    ...(input.elsewhere ?? []).map((x): [ReactNode, ReactNode] => [
      `${PAIN_REGIONS[x.region]}: in it, next morning, usual`,
      `${known(x.pain)}, ${known(x.morning)}, ${x.usual}`,
    ]),
    ["range reached", input.rangePct === null ? "not known" : `${Math.round(input.rangePct)} %`],
    [
      <>
        <Term id="goodVisit">good visits</Term> on this step
      </>,
      String(input.satisfiedStreak),
    ],
    [
      <Term key="ladder" id="ladder">
        the way it climbs
      </Term>,
      ladderWords(client, line),
    ],
    ["week against the last", input.weekTrend === null ? "not enough yet" : input.weekTrend.toFixed(1)],
  ];
  const shared: [ReactNode, ReactNode][] = [
    ["joint pain, usual", String(input.usualPain)],
    ["at the end of the visit", known(input.painAfter)],
    ...markers.map((m): [string, string] => [
      `${MARKERS[m.kind]}, before and after`,
      `${m.before ?? "–"}, ${m.after ?? "–"}`,
    ]),
    ["next morning", known(input.painMorning)],
    ...(input.effusionApplies
      ? ([["swelling before, now", `${swelling(input.effusionBefore)}, ${swelling(input.effusion)}`]] as [
          string,
          string,
        ][])
      : []),
    ...(besides.length > 0
      ? ([["besides, that day", besides.map(activityWords).join("; ")]] as [string, string][])
      : []),
    ["pain rule", SCHOOL_WORDS[client.school]],
  ];
  const alike = confounding(client.part, besides);
  return (
    <section>
      <h2 className="text-[15px]">What it looked at: {line.kept.name}</h2>
      <Facts rows={own} />
      <h3 className="small quiet mt-2">shared by all lines of the visit</h3>
      <Facts rows={shared} />
      {alike.length > 0 && (
        <p className="small mt-2 border-l-4 border-mark pl-3">
          {alike.map((a) => a.what).join(", ")} was hard on the same part: this morning is left out of what it
          takes in one visit. Pain above the rule still counts here.
        </p>
      )}
    </section>
  );
}

/** The rungs of a hold with the one it is on, or the range of repetitions before the load steps. */
function ladderWords(client: ClientEpisode, { plan }: LineDraft): string {
  const { scheme, ladder } = plan;
  if (ladder?.of === "reps") return `${ladder.least} to ${ladder.most} repetitions, then a step heavier`;
  if (scheme.kind !== "holds") return "by load";
  const at = scheme.atDeg;
  const rungs = rungsOf(plan, null, client);
  if (rungs.length === 0 || at === null) return "by seconds, then by effort";
  return rungs.map((deg) => (Math.abs(deg - at) < 0.5 ? `▸${deg}°` : `${deg}°`)).join(" ");
}

function Facts({ rows }: { rows: readonly [ReactNode, ReactNode][] }) {
  return (
    <dl className="mt-1">
      {rows.map(([name, value], i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows in their order
        <div key={i} className="flex justify-between gap-3 border-t border-rule py-1">
          <dt className="small quiet">{name}</dt>
          <dd className="text-right font-bold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Where in its way the line comes into what hurts; the part of Measure that finds it, where nothing is known. */
function InItsWay({ clientId, painful }: { clientId: string; painful: PainfulArc | null }) {
  return painful ? (
    painfulShort(painful)
  ) : (
    <Link href={`/clients/${clientId}/measure?part=painful_arc`} className="underline">
      find where it hurts
    </Link>
  );
}

/** What was seen of the sets, and how much of them was clean. */
const seenWords = ({ faults, cleanShare }: LineDraft["done"]): string =>
  [
    ...faults.map((id) => FAULT_WORDS[id]),
    ...(cleanShare === null ? [] : [`${cleanPercent(cleanShare)} % clean`]),
  ].join(", ");
