import type { ReactNode } from "react";
import { conditionById } from "@/core/rules/conditions";
import { GOALS } from "@/core/rules/goals";
import { UNCOVERED } from "@/core/rules/uncovered";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/client/clients";
import type { Story } from "@/server/client/story";
import { longDay } from "@/ui/dates";
import {
  activityWords,
  BACKGROUNDS,
  BRINGS_ON,
  CLIMBS,
  markerWords,
  PAIN_REGIONS,
  PLACES,
  RISES,
  SETTLES_IN,
  SUPPORTS,
} from "@/words/en/story";
import { PainPicture } from "../../../_story/PainPicture";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** The story for who runs the sessions: the same three parts, to read. */
export function StoryRead({
  client: c,
  story: s,
  massUnit,
  locale,
}: {
  client: ClientEpisode;
  story: Story;
  massUnit: MassUnit;
  locale: string;
}) {
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_minmax(0,1fr)]">
      <Part name="The person">
        <Fact name="works as">{c.occupation || null}</Fact>
        <Fact name="born in">{c.birthYear}</Fact>
        <Fact name="height">{c.heightM} m</Fact>
        <Fact name="body mass">{formatMass(c.bodyMassKg, massUnit)}</Fact>
        <Fact name="trains at">{s.trainsAt && PLACES[s.trainsAt as keyof typeof PLACES]}</Fact>
        <Fact name="comes on">{s.weekdays.map((d) => WEEKDAYS[d - 1]).join(", ") || null}</Fact>
        <Fact name="support">{s.support && SUPPORTS[s.support as keyof typeof SUPPORTS]}</Fact>
      </Part>
      <Part name="The joint" picture={<PainPicture side={s.side} marked={s.painMarks} isFixed />}>
        <Fact name="what it is">
          {[
            ...s.conditions.map((x) => conditionById(x.conditionId)?.name ?? x.conditionId),
            ...s.uncovered.map((id) => UNCOVERED[id as keyof typeof UNCOVERED] ?? id),
          ].join(", ")}
        </Fact>
        <Fact name={s.beganWith === "surgery" ? "operated on" : "since"}>
          {s.beganOn && longDay(s.beganOn, locale)}
        </Fact>
        <Fact name="more of it">{s.details || null}</Fact>
        <Fact name="the surgeon's note">{s.surgeonNote || null}</Fact>
        <Fact name="pain, 0 to 10">
          now {s.painNow ?? "–"}, worst this week {s.painWorst ?? "–"}, best {s.painBest ?? "–"}
        </Fact>
        <Fact name="stirred up by">{s.bringsOn && BRINGS_ON[s.bringsOn]}</Fact>
        {s.regions.map((r) => (
          <Fact key={r.region} name={`also: ${PAIN_REGIONS[r.region]}`}>
            usually {r.usual}
            {r.most === null ? "" : `, at most ${r.most}`}
          </Fact>
        ))}
        {s.markers.map((m) => (
          <Fact key={m.kind} name="brought on by">
            {markerWords(m)}
          </Fact>
        ))}
        <Fact name="settles">{s.settlesIn && SETTLES_IN[s.settlesIn]}</Fact>
      </Part>
      <Part name="The goal">
        {s.goals.map((g) => (
          <Fact key={`${g.goalId} ${g.words}`} name={`now ${g.hard} of 10 hard`}>
            {[GOALS.find((x) => x.id === g.goalId)?.name, g.words].filter(Boolean).join(": ")}
            {g.on && `, for ${longDay(g.on, locale)}`}
          </Fact>
        ))}
        <Fact name="rises from a chair">{s.rises && RISES[s.rises]}</Fact>
        <Fact name="climbs stairs">{s.climbs && CLIMBS[s.climbs]}</Fact>
        <Fact name="trains alone">{s.isAlone === null ? null : s.isAlone ? "yes" : "no"}</Fact>
        <Fact name="trained with loads">{s.background && BACKGROUNDS[s.background]}</Fact>
        {s.activities.map((a) => (
          <Fact key={a.what} name={a.weekdays.map((d) => WEEKDAYS[d - 1]).join(", ")}>
            {activityWords(a)}, {a.minutes} min
          </Fact>
        ))}
      </Part>
    </div>
  );
}

function Part({ name, picture, children }: { name: string; picture?: ReactNode; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-1 text-[17px]">{name}</h2>
      {picture && <div className="mb-2 max-w-[320px]">{picture}</div>}
      <dl>{children}</dl>
    </section>
  );
}

/** What was never asked is left out. */
function Fact({ name, children }: { name: string; children: ReactNode }) {
  if (children === null || children === "" || children === undefined) return null;
  return (
    <div className="flex flex-wrap justify-between gap-x-4 border-t border-rule py-1.5">
      <dt className="quiet">{name}</dt>
      <dd className="font-bold">{children}</dd>
    </div>
  );
}
