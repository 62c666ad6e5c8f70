import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { familyById } from "@/core/equipment/families";
import { TEMPLATES } from "@/core/equipment/templates";
import { today } from "@/server/base/context";
import { calibrationsOf } from "@/server/clinic/calibrations";
import { machineChangesOf } from "@/server/clinic/machineChanges";
import { machineById } from "@/server/clinic/machines";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { MachineForm } from "../_machine/MachineForm";
import { CalibrationDesk } from "./CalibrationDesk";
import { ChangedOn } from "./ChangedOn";
import { Retire } from "./Retire";

export const metadata: Metadata = { title: "Machine" };

/** One machine: its form, its calibration, taking it out of use. */
export default async function MachinePage({ params }: { params: Promise<{ machineId: string }> }) {
  const { machineId } = await params;
  const { actor, data } = await onPage(async (ctx) => ({
    machine: await machineById(ctx, machineId),
    calibrations: await calibrationsOf(ctx, machineId),
    changes: await machineChangesOf(ctx, machineId),
    today: today(ctx),
  }));
  const { id, version, isRetired, ...machine } = data.machine;
  const family = familyById(machine.family);
  const mayWrite = may(actor.role, "machine.write");
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/gym" className="underline">
            Gym
          </Link>
        </p>
        <div className="mb-3 flex items-baseline justify-between">
          <h1 className="text-[22px]">
            {machine.name}{" "}
            <span className="quiet text-[16px] font-normal">
              {TEMPLATES.find((t) => t.family === machine.family)?.name}
              {isRetired && ", out of use"}
            </span>
          </h1>
          {mayWrite && <Retire machineId={id} isRetired={isRetired} />}
        </div>
        <MachineForm key={version} machine={machine} id={id} version={version} mayWrite={mayWrite} />
        {(family?.hasCam || family?.hasRatio) && (
          <CalibrationDesk
            key={data.calibrations[0]?.version ?? 0}
            machineId={id}
            machine={machine}
            isLever={family.hasCam}
            calibrations={data.calibrations}
            mayWrite={mayWrite}
            locale={actor.locale}
          />
        )}
        <ChangedOn
          key={`changes ${data.changes.length}`}
          machineId={id}
          changes={data.changes}
          today={data.today}
          mayWrite={mayWrite}
          locale={actor.locale}
        />
      </main>
    </>
  );
}
