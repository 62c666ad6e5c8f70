import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { Fragment } from "react";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { CSV_FIELDS } from "@/core/exchange/csv/kinds";
import { uuid } from "@/core/units/fields";
import { importById, tableHead } from "@/server/exchange/imports";
import { isCsv } from "@/server/exchange/plansOf";
import { moment } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { Said } from "@/ui/reader";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { FILE_KINDS } from "@/words/en/files/exchange";
import { Columns } from "./Columns";
import { Settle } from "./Settle";

export const metadata: Metadata = { title: "A file" };

/** One file that was read in: what it would write, what is wrong in which line, what limits would follow; then confirm or not. */
export default async function FilePage({ params }: { params: Promise<{ importId: string }> }) {
  const { importId } = await params;
  if (!uuid.safeParse(importId).success) notFound();
  const { actor, data } = await onPage(async (ctx) => {
    const found = await importById(ctx, importId);
    return { found, head: await tableHead(ctx, found) };
  });
  const { found: i, head } = data;
  const s = i.summary;
  const counts = Object.entries(s?.counts ?? {});
  const isDraft = i.state === "draft";
  const isWrong = (s?.problems.length ?? 0) > 0;
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/files" className="underline">
            Files
          </Link>
        </p>
        <h1 className="break-words text-[26px]">{i.fileName}</h1>
        <p className="mb-4">
          {FILE_KINDS[i.kind]}, read in by {i.by} on {moment(i.at, actor.locale, actor.timeZone)}.{" "}
          {i.state === "arriving" &&
            `${Math.floor((100 * i.haveBytes) / i.bytes)} % of it is here: choose the same file again in Files to go on.`}
          {isDraft
            ? "A draft: nothing of it counts yet."
            : i.state === "confirmed"
              ? `In force since ${i.confirmedBy} confirmed it on ${moment(i.confirmedAt ?? i.at, actor.locale, actor.timeZone)}.`
              : i.state === "undone"
                ? "It was taken back; nothing of it is left."
                : i.state === "thrown_away"
                  ? "It was thrown away."
                  : ""}
        </p>
        {head && isCsv(i.kind) && (
          <Columns
            key={JSON.stringify(i.mapping)}
            importId={i.id}
            fields={CSV_FIELDS[i.kind]}
            head={head}
            mapping={i.mapping}
          />
        )}
        {isDraft && isWrong && (
          <section className="mt-5">
            <h2 className="text-[19px] text-accent">
              {s?.problems.length} {s?.problems.length === 1 ? "place" : "places"} to mend, then read it in
              again
            </h2>
            <ol className="mt-1 max-h-[420px] overflow-auto border-t border-rule">
              {s?.problems.map((p, n) => (
                <li
                  // biome-ignore lint/suspicious/noArrayIndexKey: problems in the order of the file
                  key={n}
                  className="grid grid-cols-1 gap-x-4 border-b border-rule py-1.5 sm:grid-cols-[220px_1fr]"
                >
                  <span className="break-words font-bold">{p.at}</span>
                  <span>
                    <Said>{p.said}</Said>
                  </span>
                </li>
              ))}
            </ol>
          </section>
        )}
        {s && s.clients.length > 0 && (
          <section className="mt-5">
            <h2 className="text-[19px]">What it means for limits</h2>
            <table className="mt-1 w-full text-left">
              <thead>
                <tr className="small quiet border-b border-rule">
                  <th className="py-1 font-normal">client</th>
                  <th className="py-1 font-normal">conditions and phase</th>
                  <th className="py-1 font-normal">limits that somebody wrote</th>
                  <th className="py-1 font-normal">warning signs that stand</th>
                </tr>
              </thead>
              <tbody>
                {s.clients.map((c) => (
                  <tr key={c.id} className="border-b border-rule align-top">
                    <td className="py-2 pr-4">
                      {i.state === "confirmed" ? (
                        <Link href={`/clients/${c.id}`} className="font-bold hover:underline">
                          {c.name}
                        </Link>
                      ) : (
                        <b>{c.name}</b>
                      )}
                      <span className="small quiet block">
                        {c.counts.tests} strength tests, {c.counts.sheets} sheets, {c.counts.visits} visits
                      </span>
                    </td>
                    <td className="py-2 pr-4">
                      {c.conditions.length === 0 && "none that is open"}
                      {c.conditions.map((x, n) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: in their order
                        <Fragment key={n}>
                          {n > 0 && "; "}
                          <Said>{x}</Said>
                        </Fragment>
                      ))}
                    </td>
                    <td className="py-2 pr-4">{c.limits.join("; ") || "none"}</td>
                    <td className={`py-2 ${c.signs.length > 0 ? "font-bold text-accent" : ""}`}>
                      {c.signs.join("; ") || "none"}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        )}
        {s && s.notes.length > 0 && (
          <section className="mt-5">
            <h2 className="text-[19px]">To be known</h2>
            <ul className="list-disc pl-5">
              {s.notes.map((n) => (
                <li key={JSON.stringify(n)}>
                  <Said>{n}</Said>
                </li>
              ))}
            </ul>
          </section>
        )}
        {counts.length > 0 && (
          <p className="small quiet mt-4">
            Rows: {counts.map(([table, n]) => `${n} ${table.replaceAll("_", " ")}`).join(", ")}.
          </p>
        )}
        <Settle
          importId={i.id}
          state={i.state}
          isWrong={isWrong || counts.length === 0}
          mayConfirm={may(actor.role, "import.confirm")}
          mayDrop={may(actor.role, i.state === "confirmed" ? "import.confirm" : "import.make")}
          sentence={DEED_SENTENCES["import.confirm"]}
        />
      </main>
    </>
  );
}
