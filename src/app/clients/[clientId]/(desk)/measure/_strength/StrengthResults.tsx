import { ratioSummary, strengthSummary } from "@/core/measure/strengthSummary";
import { MOVEMENTS } from "@/core/strength/movements";
import { type Clear, reaches } from "@/core/strength/symmetry";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredTest } from "@/server/measure/measurements";
import { Figure } from "@/ui/working/Figure";
import { History, SideBars } from "./SideBars";

const AIM_WORDS: Record<string, string> = {
  measured: "Judged as torque, as chosen for this client.",
  equal_volume:
    "Chosen here: an equal share of the repetitions with four or fewer in reserve. That is a share of training, not a strength.",
  double_volume:
    "Chosen here: twice the repetitions with four or fewer in reserve. That is a share of training; it never takes work away from weak quadriceps.",
};

/** Symmetry, torque per body mass and hamstring-to-quadriceps ratio, each with its doubt and its working. */
export function StrengthResults({
  tests,
  client,
  aim,
}: {
  tests: StoredTest[];
  client: ClientEpisode;
  aim: string;
}) {
  const rows = strengthSummary(tests, client.side, client.bodyMassKg);
  const ratios = ratioSummary(tests);
  if (rows.length === 0) return null;
  return (
    <section className="mb-4 border-t border-rule pt-3">
      <h2 className="text-[17px]">What the tests say</h2>
      {rows.map((r) => (
        <div key={r.movement} className="grid grid-cols-2 items-start gap-x-3 border-b border-rule py-2">
          <p className="col-span-2 flex items-end justify-between leading-tight">
            <span>
              <b>{MOVEMENTS[r.movement].name}</b>{" "}
              <span className="small quiet">{MOVEMENTS[r.movement].muscle}</span>
            </span>
            <History values={r.history} />
          </p>
          <div className="col-span-2 my-1">
            <SideBars sides={r.sides} own={client.side} />
          </div>
          {r.symmetry ? (
            <Figure
              label={`${client.side} of other`}
              computed={r.symmetry}
              under={verdict(r.symmetry.value, r.symmetry.doubt ?? 0)}
            />
          ) : (
            <p className="small quiet">other side not tested at the same angle</p>
          )}
          {r.perBodyMass && <Figure label="per body mass" computed={r.perBodyMass} digits={1} />}
        </div>
      ))}
      {ratios.map((r) => (
        <div key={r.side} className="border-b border-rule py-1.5">
          <Figure
            label={`hamstrings to quadriceps, ${r.side}, at ${r.kneeFlexionDeg}°`}
            computed={r.ratio}
            digits={2}
            under={
              r.band === "usual"
                ? "usual: 0.5 to 0.8"
                : r.band === "low"
                  ? "low: below 0.5"
                  : "above 0.8: check the quadriceps first, weak ones raise it"
            }
          />
        </div>
      ))}
      {ratios.length > 0 && (
        <details className="small mt-1.5">
          <summary className="cursor-pointer">Why the front is nearly always stronger</summary>
          <p className="mt-1">
            The front of the thigh is the larger muscle and pulls on the longer lever, so on the load cell it
            gives more. Hip and thigh together, machines with other levers, and fast lowering make it look
            otherwise. The ratio tells whether one side of the thigh is behind; it is never a pass mark.
          </p>
          <p className="quiet mt-1">{AIM_WORDS[aim] ?? ""} Source: dosing rules F3, unverified citation.</p>
        </details>
      )}
    </section>
  );
}

const VERDICTS: Record<Clear, string> = {
  reached: "clearly at least 90 %",
  below: "clearly below 90 %",
  cannot_tell: "cannot tell from 90 %",
};

/** Whether one session can tell if 90 % is reached. */
const verdict = (value: number, doubt: number): string =>
  VERDICTS[reaches({ lsiPct: value, lowPct: value - doubt, highPct: value + doubt }, 90)];
