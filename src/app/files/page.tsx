import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { importsOf, type StoredImport } from "@/server/exchange/imports";
import { moment } from "@/ui/dates";
import { FileButton } from "@/ui/files/FileButton";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { FILE_KINDS } from "@/words/en/files/exchange";
import { ReadIn } from "./ReadIn";

export const metadata: Metadata = { title: "Files" };

const STATES: Record<StoredImport["state"], string> = {
  arriving: "on its way: choose it again to go on",
  draft: "draft: not in force",
  confirmed: "in force",
  undone: "taken back",
  thrown_away: "thrown_away",
};

const onItsWay = ({ id, kind, fileName, bytes, haveBytes }: StoredImport) => ({
  id,
  kind,
  fileName,
  bytes,
  haveBytes,
});

/** What leaves the clinic as files and what came in: every file that was read in, and what became of it. */
export default async function FilesPage() {
  const { actor, data } = await onPage(importsOf);
  const mayRead = may(actor.role, "import.make");
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto grid max-w-[1180px] grid-cols-1 lg:grid-cols-[minmax(0,1fr)_360px] gap-x-10 px-6 py-6">
        <section>
          <h1 className="text-[26px]">Read in</h1>
          <p className="mb-3 max-w-[70ch]">
            A file is a draft first. It is looked through line by line, and nothing of it counts before a
            therapist has confirmed what it means for limits. A confirmed file can be taken back as a whole.
          </p>
          {mayRead ? (
            <ReadIn onTheirWay={data.filter((i) => i.state === "arriving").map(onItsWay)} />
          ) : (
            <p className="border-l-4 border-rule pl-3">{DEED_SENTENCES["import.make"]}</p>
          )}
          {data.length === 0 ? (
            <p className="mt-6 border-t border-rule py-6">No file was read in yet.</p>
          ) : (
            <table className="lanes mt-6 w-full text-left">
              <thead>
                <tr className="small quiet border-b border-rule">
                  <th className="py-2 font-normal">file</th>
                  <th className="py-2 font-normal">what it is</th>
                  <th className="py-2 font-normal">read in</th>
                  <th className="py-2 font-normal">now</th>
                </tr>
              </thead>
              <tbody>
                {data.map((i) => (
                  <tr key={i.id} className="border-b border-rule align-top">
                    <td className="max-w-[260px] break-words py-2 pr-4">
                      <Link href={`/files/${i.id}`} className="font-bold hover:underline">
                        {i.fileName}
                      </Link>
                    </td>
                    <td className="py-2 pr-4">{FILE_KINDS[i.kind]}</td>
                    <td className="py-2 pr-4">
                      {moment(i.at, actor.locale, actor.timeZone)}, {i.by}
                    </td>
                    <td className="py-2">
                      {STATES[i.state]}
                      {i.state === "draft" && (i.summary?.problems.length ?? 0) > 0 && (
                        <span className="block text-accent">{i.summary?.problems.length} to mend</span>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <aside className="border-l border-rule pl-6">
          <h2 className="text-[20px]">Take out</h2>
          <p className="small mb-3">
            One client is taken out from Review. Whoever opens these files reads everything in them: keep them
            where only those may look who care for these people. Taking out is kept in the record.
          </p>
          <p className="mb-3">
            <FileButton path="/api/clinic/machines">Machines, JSON</FileButton>
          </p>
          {may(actor.role, "export.clinic") ? (
            <>
              <p className="mb-3">
                <FileButton path="/api/clinic/files">The whole clinic, zip</FileButton>
              </p>
              <p className="mb-3">
                <FileButton path="/api/clinic/files?names=no">The same without names, zip</FileButton>
              </p>
            </>
          ) : (
            <p className="small quiet">{DEED_SENTENCES["export.clinic"]}</p>
          )}
        </aside>
      </main>
    </>
  );
}
