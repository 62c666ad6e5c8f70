import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { allCitations } from "@/core/rules/citations";
import { checkedSources } from "@/server/clinic/sources";
import { moment } from "@/ui/dates";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { SourceMark } from "./SourceMark";

export const metadata: Metadata = { title: "Sources" };

/** What the rules rest on: cited from memory, unverified until somebody of the clinic has checked it. */
export default async function SourcesPage() {
  const { actor, data } = await onPage((ctx) => checkedSources(ctx));
  const mayMark = may(actor.role, "source.check");
  const citations = allCitations();
  const open = citations.filter((c) => !data.some((d) => d.citation === c.citation)).length;
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1100px] px-6 py-6">
        <h1 className="text-[22px]">What the rules rest on</h1>
        <p className="mb-3 max-w-[80ch]">
          All sources were cited from memory. A rule says “unverified citation” beside each of them until
          somebody of this clinic has read it and found that it says what the rule says. {open} of{" "}
          {citations.length} are open.
        </p>
        <table className="lanes w-full text-left">
          <thead>
            <tr className="small quiet border-b border-rule">
              <th className="py-1 font-normal">source</th>
              <th className="py-1 pr-6 text-right font-normal">rules on it</th>
              <th className="py-1 font-normal">state</th>
              <th className="py-1">
                <span className="sr-only">mark</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {citations.map((c) => {
              const mark = data.find((d) => d.citation === c.citation);
              return (
                <tr key={c.citation} className="border-b border-rule">
                  <td className="py-1 pr-4">{c.citation}</td>
                  <td className="py-1 pr-6 text-right">{c.rules}</td>
                  <td className="py-1 pr-4">
                    {mark ? (
                      <>
                        <b>checked</b>{" "}
                        <span className="small quiet">
                          {mark.by}, {moment(mark.at, actor.locale, actor.timeZone)}
                          {mark.note && `: ${mark.note}`}
                        </span>
                      </>
                    ) : (
                      <span className="quiet">unverified citation</span>
                    )}
                  </td>
                  <td className="py-1 text-right">
                    {mayMark && <SourceMark citation={c.citation} isChecked={Boolean(mark)} />}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </main>
    </>
  );
}
