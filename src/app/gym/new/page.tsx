import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { USUAL_BODY } from "@/core/body/segments";
import { TEMPLATES, templateOf } from "@/core/equipment/templates";
import { machineDrawing } from "@/core/selection/pose/drawing";
import { Link } from "@/ui/Link";
import { StillDrawing } from "@/ui/pose/StillDrawing";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { MachineForm } from "../_machine/MachineForm";

export const metadata: Metadata = { title: "New machine" };

/** A new machine: first its kind, then its own numbers over the usual ones. */
export default async function NewMachinePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { kind } = await searchParams;
  const { actor } = await onPage(async () => null);
  const template = TEMPLATES.find((t) => t.family === kind);
  const mayWrite = may(actor.role, "machine.write");
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/gym" className="underline">
            Gym
          </Link>
          {template && (
            <>
              {" · "}
              <Link href="/gym/new" className="underline">
                another kind
              </Link>
            </>
          )}
        </p>
        <h1 className="text-[22px]">New machine{template && `: ${template.name}`}</h1>
        {!mayWrite ? (
          <p className="text-accent">{DEED_SENTENCES["machine.write"]}</p>
        ) : template ? (
          <>
            <p className="quiet mb-3">{template.about} Change what differs here.</p>
            <MachineForm machine={templateOf(template.family)} id={null} version={0} mayWrite />
          </>
        ) : (
          <>
            <p className="quiet">Which kind is it?</p>
            <ul className="mt-2 grid grid-cols-2 gap-3 md:grid-cols-4">
              {TEMPLATES.map((t) => {
                const drawing = machineDrawing({ id: t.family, ...templateOf(t.family) }, USUAL_BODY);
                return (
                  <li key={t.family}>
                    <Link
                      href={`/gym/new?kind=${t.family}`}
                      title={t.about}
                      className="grid h-full grid-cols-[minmax(0,1fr)] content-end justify-items-center border border-rule p-2 text-center font-bold text-primary hover:border-primary"
                    >
                      {drawing && (
                        <StillDrawing drawing={drawing} label="from the side" className="h-[92px] w-full" />
                      )}
                      {t.name}
                      {!t.isModelled && <span className="small quiet font-normal">no model of the knee</span>}
                    </Link>
                  </li>
                );
              })}
            </ul>
          </>
        )}
      </main>
    </>
  );
}
