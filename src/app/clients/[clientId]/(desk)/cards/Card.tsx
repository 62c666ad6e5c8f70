"use client";
import type { Body } from "@/core/body/segments";
import { familyById } from "@/core/equipment/families";
import { type Machine, nearestNotch, notchesOf, settingWords } from "@/core/equipment/machine";
import type { ExerciseUse } from "@/core/selection/fit/exerciseUse";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import type { SetUpCard } from "@/server/choice/cards";
import { Pose } from "@/ui/pose/Pose";
import { MiniRail } from "@/ui/rail/MiniRail";
import { WORN } from "@/words/en/plan/setUp";

/** One card: what to set, checks, cues, stop signs; the pose and the arc as small pictures. */
export function Card({
  name,
  legs,
  chosen,
  use,
  card,
  body,
  locale,
  massUnit,
}: {
  name: string;
  legs: string;
  chosen: { machine: Machine; id: string | null };
  use: ExerciseUse;
  card: SetUpCard;
  body: Body;
  locale: string;
  massUnit: MassUnit;
}) {
  const family = familyById(chosen.machine.family);
  if (!family) return null;
  const day = new Intl.DateTimeFormat(locale, { day: "numeric", month: "long" });
  const middle = Math.round((card.fromDeg + card.toDeg) / 2 / 5) * 5;
  return (
    <section className="mb-6 break-inside-avoid border-t-2 border-primary pt-2">
      <h2 className="text-[17px]">
        {name}{" "}
        <span className="quiet font-sans text-[14px] font-normal">
          {chosen.machine.name}
          {chosen.machine.place && `, ${chosen.machine.place}`} · {legs}
        </span>
      </h2>
      <div className="grid grid-cols-1 sm:grid-cols-[minmax(0,1fr)_270px] gap-4">
        <dl className="grid grid-cols-[auto_minmax(0,1fr)] content-start gap-x-4 gap-y-0.5">
          {family.settings.map((s) => {
            const value = card.settings[s.key];
            if (value === undefined) return null;
            const notch = nearestNotch(notchesOf(chosen.machine, s), value);
            const words = settingWords(s, value);
            return (
              <div key={s.key} className="contents">
                <dt>{s.name}</dt>
                <dd>
                  <b>{notch.label}</b> {notch.label !== words && <span className="quiet">{words}</span>}
                </dd>
              </div>
            );
          })}
          <dt>{family.load?.name ?? "load"}</dt>
          <dd>
            <b>{card.how}</b> <span className="quiet">{poundsBeside(card.load, massUnit)}</span>
          </dd>
          {card.feet && (
            <>
              <dt>feet</dt>
              <dd>
                <b>{card.feet}</b>
              </dd>
            </>
          )}
          <dt>worn</dt>
          <dd>{WORN[card.support]}</dd>
          {family.hasCam && (
            <>
              <dt>axis</dt>
              <dd>
                {card.axisChecked ? (
                  "knee in line, looked at"
                ) : (
                  <b className="text-accent">check the knee against the axis</b>
                )}
              </dd>
            </>
          )}
        </dl>
        <div>
          <Pose
            body={body}
            chosen={{ machine: chosen.machine, id: chosen.id, family }}
            settings={card.settings}
            share={use.share}
            phase={use.phase ?? 0}
            load={card.load}
            angle={middle}
            arc={card}
            pelvicTuckDeg={0}
            onSetting={() => {}}
            onAngle={() => {}}
            isStill
          />
          <MiniRail fromDeg={Math.round(card.fromDeg)} toDeg={Math.round(card.toDeg)} holdDeg={null} />
        </div>
      </div>
      {card.cues.length > 0 && (
        <p className="mt-1">
          <b>Cues:</b> {card.cues.join(" · ")}
        </p>
      )}
      <p className="mt-1">
        <b className="text-accent">Stop for:</b> {card.stopSigns.join(" · ")}
      </p>
      {card.note && <p className="mt-1">{card.note}</p>}
      <p className="small quiet mt-1">
        version {card.version}, {day.format(card.at)}, {card.by}
      </p>
    </section>
  );
}
