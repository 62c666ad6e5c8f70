import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { letterheadOf } from "@/server/clinic/letterhead";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { PaperHead } from "./PaperHead";

export const metadata: Metadata = { title: "Clinic" };

/** What stands on the clinic's paper. */
export default async function ClinicPage() {
  const { actor, data } = await onPage(letterheadOf);
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/library/results" className="underline">
            What exercises led to here
          </Link>
        </p>
        <h1 className="text-[26px]">The clinic's paper</h1>
        <p className="mb-4 max-w-[70ch]">
          This stands at the head of sheets, cards, letters and summaries. The paper's size is what each
          begins with.
        </p>
        {may(actor.role, "clinic.write") ? (
          <PaperHead head={data} />
        ) : (
          <>
            <p>
              <b>{data.name}</b>
            </p>
            <p className="whitespace-pre-line">{data.address || "no address yet"}</p>
            <p>{data.contact}</p>
            <p className="mt-3 border-l-4 border-rule pl-3">{DEED_SENTENCES["clinic.write"]}</p>
          </>
        )}
      </main>
    </>
  );
}
