"use client";
import { askedSides, comparedAt, type Side } from "@/core/selection/rank/asked";
import { type AtAngle, type Compared, explainDifference } from "@/core/selection/rank/compare";
import type { ReadyQuestion } from "@/core/selection/rank/questions";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { signOf } from "@/core/selection/setUp/loadContext";
import type { Basis } from "@/core/selection/setUp/row";
import type { ReferenceTask } from "@/core/selection/tissue/tissues";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import { asKept, saidWith } from "@/core/units/said";
import { Said, useSay } from "@/ui/reader";
import { QUESTIONS } from "@/words/en/plan/choose";
import type { Choose } from "./useChoose";

const BASIS_WORDS: Record<Basis["kind"], string> = {
  effort: "the same effort",
  moment: "the same knee moment",
  load: "each at its real step at or below the same load",
};

/** Two or three set-ups side by side at the angle looked at, and why they differ, in numbers. */
export function ComparePanel({
  choose,
  chair,
  question,
  massUnit,
}: {
  choose: Choose;
  chair: ReferenceTask;
  question: ReadyQuestion | null;
  massUnit: MassUnit;
}) {
  const { state, setState, input } = choose;
  const share = state.share / 100;
  const sides = question ? askedSides(question, input, share) : pickedSides(choose);
  const isMoment = (question?.basis ?? choose.basis.kind) === "moment";
  const found = comparedAt(sides, input, chair, state.angle, isMoment ? { share } : null);
  const [a, b, c] = found;
  const reasons = [...(a && b ? explainDifference(a, b) : []), ...(a && c ? explainDifference(a, c) : [])];
  return (
    <section className="border-y border-primary bg-base-100 px-3 py-2" aria-label="Side by side">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-[16px]">
          {question ? QUESTIONS[question.id].ask : "Side by side"}{" "}
          <span className="quiet font-sans text-[13px] font-normal">
            at {state.angle}°, {BASIS_WORDS[question?.basis ?? choose.basis.kind]}
            {question ? ", without this client's limits" : ""}
          </span>
        </h2>
        <button
          type="button"
          className="small cursor-pointer underline"
          onClick={() => setState({ compare: null, ask: null })}
        >
          close
        </button>
      </div>
      {found.length < 2 ? (
        <p className="mt-1">
          At {state.angle}° the model covers {found.length === 0 ? "neither" : "only one"} of them. Move the
          angle line.
        </p>
      ) : (
        <>
          <CompareTable found={found} massUnit={massUnit} />
          <ul className="mt-2 ml-4 list-disc text-[14px]">
            {reasons.map((r) => (
              <li key={asKept(r)}>
                <Said>{r}</Said>
              </li>
            ))}
          </ul>
          <p className="small quiet mt-1">
            Estimated by the static model (mechanics 3 to 5). It compares set-ups; a standing straightening or
            a press is never safe by its name.
          </p>
        </>
      )}
    </section>
  );
}

function pickedSides({ state, sheet, picked }: Choose): Side[] {
  const current = picked && "barred" in picked ? picked.row : picked;
  return state.compare.flatMap((id): Side[] => {
    const row: RangeRow | undefined = current?.e.id === id ? current : sheet.rows.find((r) => r.e.id === id);
    return row ? [{ name: row.e.name, setUp: row.computed, sign: signOf(row.e) }] : [];
  });
}

function CompareTable({ found, massUnit }: { found: Compared[]; massUnit: MassUnit }) {
  const say = useSay();
  const lines: [string, (h: AtAngle, c: Compared) => string][] = [
    [
      "set to",
      (_, c) =>
        c.setUp.isReal === false
          ? say(saidWith("choose.about_load", { kg: c.setUp.load }))
          : `${c.setUp.how}${c.setUp.load === 0 ? "" : `, ${Math.round(c.setUp.load)} kg`}${poundsBeside(c.setUp.load, massUnit)}`,
    ],
    [
      "force on this leg",
      (h) => (h.forceN === null ? "not one force" : `${Math.round(h.forceN / 10) * 10} N`),
    ],
    ["it passes the knee at", (h) => (h.kneeArmM === null ? "–" : `${Math.round(h.kneeArmM * 100)} cm`)],
    [
      "knee gives",
      (h) => `${Math.round(Math.abs(h.kneeMomentNm))} N·m ${h.kneeMomentNm < 0 ? "bending" : ""}`,
    ],
    [
      "hip gives",
      (h) => (h.hipMomentNm === null ? "rests on the seat" : `${Math.round(Math.abs(h.hipMomentNm))} N·m`),
    ],
    ["kneecap joint", (h) => `${h.kneecapTimes.toFixed(1)} × a chair rise`],
    [
      "shin pulled",
      (h) =>
        h.forwardN > 0
          ? `forward ~${Math.round(h.forwardN / 50) * 50} N`
          : h.backwardN > 0
            ? `back ~${Math.round(h.backwardN / 50) * 50} N`
            : "neither way",
    ],
    ["hip bent", (h) => `${Math.round(h.hipFlexionDeg)}° of about ${Math.round(h.hipAvailableDeg)}°`],
    [
      "low back rounds",
      (h) => (h.pelvicTuckDeg < 2.5 ? "no" : `about ${Math.round(h.pelvicTuckDeg / 5) * 5}°`),
    ],
  ];
  return (
    <table className="mt-1 w-full text-left text-[14px]">
      <thead>
        <tr>
          <th scope="col">
            <span className="sr-only">What</span>
          </th>
          {found.map((c) => (
            <th key={asKept(c.name)} scope="col" className="pr-3">
              <Said>{c.name}</Said>
              {!c.here.isAllowed && <span className="text-accent"> barred here</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map(([name, words]) => (
          <tr key={name} className="border-t border-base-300">
            <th scope="row" className="quiet pr-3 font-normal">
              {name}
            </th>
            {found.map((c) => (
              <td key={asKept(c.name)} className="pr-3">
                {words(c.here, c)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
