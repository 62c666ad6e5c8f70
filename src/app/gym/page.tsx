import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { USUAL_BODY } from "@/core/body/segments";
import { settingsOf } from "@/core/equipment/loadSteps";
import { TEMPLATES } from "@/core/equipment/templates";
import { machineDrawing } from "@/core/selection/pose/drawing";
import { kgWords, withPounds } from "@/core/units/mass";
import { calibratedOn } from "@/server/clinic/calibrations";
import { machinesOf } from "@/server/clinic/machines";
import { Link } from "@/ui/Link";
import { StillDrawing } from "@/ui/pose/StillDrawing";
import { ShellHeader } from "@/ui/shell/ShellHeader";

export const metadata: Metadata = { title: "Gym" };

/** The clinic's machines: what they are, their steps, whether they were calibrated. */
export default async function GymPage() {
  const { actor, data } = await onPage(async (ctx) => ({
    machines: await machinesOf(ctx),
    calibrated: await calibratedOn(ctx),
  }));
  const mayWrite = may(actor.role, "machine.write");
  const day = new Intl.DateTimeFormat(actor.locale, { day: "numeric", month: "short", year: "numeric" });
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <div className="flex items-baseline justify-between">
          <h1 className="text-[22px]">Gym</h1>
          {mayWrite && (
            <Link href="/gym/new" className="btn btn-primary btn-sm">
              New machine
            </Link>
          )}
        </div>
        <p className="quiet">Only what stands here, with its own notches and steps, is proposed in Choose.</p>
        {data.machines.length === 0 ? (
          <p className="mt-4">No machine yet. Enter the first from a template: it takes two minutes.</p>
        ) : (
          <table className="lanes mt-3 w-full text-left">
            <thead>
              <tr className="small quiet">
                <th scope="col" className="font-normal">
                  <span className="sr-only">picture</span>
                </th>
                <th scope="col" className="font-normal">
                  name
                </th>
                <th scope="col" className="font-normal">
                  kind
                </th>
                <th scope="col" className="font-normal">
                  where
                </th>
                <th scope="col" className="font-normal">
                  loads
                </th>
                <th scope="col" className="font-normal">
                  own notches
                </th>
                <th scope="col" className="font-normal">
                  calibrated
                </th>
              </tr>
            </thead>
            <tbody>
              {data.machines.map((m) => {
                const loads = settingsOf(m.steps);
                const template = TEMPLATES.find((t) => t.family === m.family);
                const on = data.calibrated.get(m.id);
                const drawing = machineDrawing(m, USUAL_BODY);
                return (
                  <tr key={m.id} className="border-t border-rule">
                    <td className="w-[110px] py-1 pr-3">
                      {drawing && (
                        <StillDrawing
                          drawing={drawing}
                          label={`${m.name} from the side`}
                          className="h-[62px] w-[96px]"
                        />
                      )}
                    </td>
                    <td className="py-1.5 pr-3">
                      <Link href={`/gym/${m.id}`} className="font-bold text-primary hover:underline">
                        {m.name}
                      </Link>
                    </td>
                    <td className="pr-3">
                      {template?.name}
                      {!template?.isModelled && (
                        <span className="quiet small block">no model of the knee</span>
                      )}
                    </td>
                    <td className="pr-3">{m.place || <span className="quiet">–</span>}</td>
                    <td className="pr-3">
                      {withPounds(
                        `${kgWords(loads[0]?.massKg ?? 0)} to ${kgWords(loads.at(-1)?.massKg ?? 0)}`,
                        actor.massUnit,
                      )}{" "}
                      <span className="quiet">{loads.length} steps</span>
                    </td>
                    <td className="pr-3">
                      {Object.keys(m.notches).length || <span className="quiet">usual ones</span>}
                    </td>
                    <td>{on ? day.format(on) : <span className="quiet">never</span>}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
      </main>
    </>
  );
}
