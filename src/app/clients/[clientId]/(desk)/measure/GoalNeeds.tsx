import { FINDING_VALID_DAYS } from "@/core/measure/findings";
import type { NeedOfGoal } from "@/core/measure/goalNeeds";
import { measurementKind } from "@/core/measure/measurementKinds";
import { GOALS } from "@/core/rules/goals";
import { weeksUntil } from "@/core/story/goalDates";
import { MOVEMENTS, movement as movements } from "@/core/strength/movements";
import { daysBetween } from "@/core/units/days";
import { lowerFirst } from "@/core/units/lowerFirst";
import { relativeDay } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { valueWords } from "./valueWords";

/** The first of the list in sight; the others fold away. */
const IN_SIGHT = 3;

const nameOf = (n: NeedOfGoal): string => {
  const strength = movements.safeParse(n.measure);
  const name = strength.success
    ? MOVEMENTS[strength.data].name.toLowerCase()
    : measurementKind(n.measure as Parameters<typeof measurementKind>[0]).name;
  return n.as === "symmetry"
    ? `${name}, both legs`
    : n.as === "per_kg"
      ? `${name} for the body's mass`
      : name;
};
const said = (n: NeedOfGoal, value: number): string =>
  n.as === "value" && n.part !== "strength"
    ? valueWords(n.measure as Parameters<typeof measurementKind>[0], value)
    : `${value} ${n.unit}`;

/** What the goals ask, beside what was measured: the largest gap first. */
export function GoalNeeds({
  needs,
  goals,
  clientId,
  today,
}: {
  needs: readonly NeedOfGoal[];
  goals: readonly { goalId: string | null; on?: string | null }[];
  clientId: string;
  today: string;
}) {
  if (needs.length === 0) return null;
  const leftWords = (goalId: string): string => {
    const on = goals.find((g) => g.goalId === goalId)?.on;
    const weeks = on ? weeksUntil(on, today) : null;
    return weeks === null
      ? ""
      : weeks === 0
        ? ", in less than a week"
        : `, in ${weeks} ${weeks === 1 ? "week" : "weeks"}`;
  };
  const isOld = (n: NeedOfGoal) => !n.have || daysBetween(n.have.on, today) > FINDING_VALID_DAYS;
  const row = (n: NeedOfGoal) => (
    <li key={`${n.measure} ${n.as}`} className="border-t border-rule py-1">
      <Link href={`/clients/${clientId}/measure?part=${n.part}`} className="font-bold hover:underline">
        {isOld(n) && (
          <span aria-hidden className="text-mark">
            ◇{" "}
          </span>
        )}
        {nameOf(n)}
      </Link>{" "}
      {n.have ? said(n, n.have.value) : "not measured"}
      <span className="small quiet">
        ; “{lowerFirst(GOALS.find((g) => g.id === n.goalId)?.name ?? "")}”{leftWords(n.goalId)} asks{" "}
        {n.comparator === ">=" ? "at least " : n.need > 0 ? "at most " : ""}
        {said(n, n.need)}
        {n.have &&
          `: ${!n.shortfall ? "met" : n.need === 0 ? "not yet" : `${Math.round(n.shortfall * 100)} % short`}, ${relativeDay(n.have.on, today)}${isOld(n) ? ", measure again" : ""}`}
      </span>
    </li>
  );
  return (
    <section className="mb-4">
      <h2 className="text-[17px]">What the goals ask</h2>
      <ul>{needs.slice(0, IN_SIGHT).map(row)}</ul>
      {needs.length > IN_SIGHT && (
        <details>
          <summary className="cursor-pointer border-t border-rule py-1">
            {needs.length - IN_SIGHT} more
          </summary>
          <ul>{needs.slice(IN_SIGHT).map(row)}</ul>
        </details>
      )}
    </section>
  );
}
