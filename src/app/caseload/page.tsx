import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { today } from "@/server/base/context";
import { caseload } from "@/server/day/caseload";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { CaseloadTable } from "./CaseloadTable";
import { loadCaseloadView } from "./view";

export const metadata: Metadata = { title: "Caseload" };

/** Everybody in care, and on request everybody who was: search, sort, filter, a page at a time. */
export default async function CaseloadPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const view = await loadCaseloadView(searchParams);
  const { actor, data } = await onPage(async (ctx) => ({ page: await caseload(ctx, view), day: today(ctx) }));
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1240px] px-6 py-6">
        <div className="flex items-baseline justify-between">
          <h1 className="text-[22px]">Caseload</h1>
          {may(actor.role, "story.write") && (
            <Link href="/clients/new" className="btn btn-primary btn-sm">
              New client
            </Link>
          )}
        </div>
        <CaseloadTable data={data.page} today={data.day} locale={actor.locale} />
      </main>
    </>
  );
}
