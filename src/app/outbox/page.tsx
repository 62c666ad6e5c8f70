import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { outbox } from "@/server/links/links";
import { CopyLink } from "@/ui/CopyLink";
import { moment } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { messageWords } from "../_web/messageWords";

const PURPOSE_WORDS = { morning: "questions of the morning after", home: "sheet for home" } as const;

export const metadata: Metadata = { title: "Outbox" };

/** What a message service would have sent, and what came back. None ships with Bexlo: links are copied from here. */
export default async function OutboxPage() {
  const { actor, data } = await onPage(async (ctx) => ({
    now: ctx.now,
    messages: may(ctx.actor.role, "link.make") ? await outbox(ctx) : null,
  }));
  const { now, messages } = data;
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <h1 className="text-[26px]">Outbox</h1>
        <p className="mb-4 max-w-[75ch]">
          Messages to clients of the last two weeks and those still to go. Bexlo sends nothing by itself: a
          message service can take them from here, or you copy a link and send it as you usually do.
        </p>
        {messages === null ? (
          <p className="border-l-4 border-rule pl-3">{DEED_SENTENCES["link.make"]}</p>
        ) : messages.length === 0 ? (
          <p className="border-t border-rule py-8">
            Nothing here yet. A visit that ends puts a message for the next morning here.
          </p>
        ) : (
          <>
            <details className="mb-3">
              <summary className="cursor-pointer underline">What the messages say</summary>
              <dl className="max-w-[80ch]">
                {(["morning", "home"] as const).map((purpose) => (
                  <div key={purpose} className="mt-1">
                    <dt className="small quiet">{PURPOSE_WORDS[purpose]}</dt>
                    <dd>{messageWords({ purpose }, actor.clinicName)}</dd>
                  </div>
                ))}
              </dl>
            </details>
            <table className="lanes w-full border-collapse text-left">
              <thead>
                <tr className="small quiet border-b border-rule">
                  <th className="py-2 font-normal">goes</th>
                  <th className="py-2 font-normal">to</th>
                  <th className="py-2 font-normal">message</th>
                  <th className="py-2 font-normal">came back</th>
                  <th className="py-2 font-normal">link</th>
                </tr>
              </thead>
              <tbody>
                {messages.map((m) => {
                  const isOver = m.isRevoked || m.expiresAt <= now;
                  return (
                    <tr key={m.id} className="border-b border-rule align-top">
                      <td className="whitespace-nowrap py-3 pr-4">
                        {moment(m.sendsAt, actor.locale, actor.timeZone)}
                        <p className="small quiet">{m.sendsAt > now ? "still to go" : "gone"}</p>
                      </td>
                      <td className="py-3 pr-4">
                        <Link href={`/clients/${m.clientId}/morning`} className="font-bold hover:underline">
                          {m.clientName}
                        </Link>
                        <p className="small quiet">{m.sheet}</p>
                      </td>
                      <td className="py-3 pr-4">{PURPOSE_WORDS[m.purpose]}</td>
                      <td className="py-3 pr-4">
                        {m.answered
                          ? `pain ${m.answered.pain}, by ${m.answered.by}, ${moment(m.answered.at, actor.locale, actor.timeZone)}`
                          : m.purpose === "home"
                            ? "–"
                            : isOver
                              ? "no answer"
                              : "not yet"}
                      </td>
                      <td className="py-3">
                        {isOver ? (
                          <span className="quiet">{m.isRevoked ? "replaced" : "run out"}</span>
                        ) : (
                          <CopyLink path={m.path} label={`Copy the link for ${m.clientName}`} />
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </>
        )}
      </main>
    </>
  );
}
