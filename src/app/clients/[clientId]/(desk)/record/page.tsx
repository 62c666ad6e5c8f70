import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { attemptsOf } from "@/server/base/attempts";
import { recordOf } from "@/server/client/record";
import { moment } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { attemptWords, changesInWords, deedWords, type FieldChange } from "./recordWords";

export const metadata: Metadata = { title: "Record" };

/** Who changed what of this client, when, from what to what; newest first. */
export default async function RecordPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<{ before?: string | string[] }>;
}) {
  const { clientId } = await params;
  const { before } = await searchParams;
  const from = typeof before === "string" && /^\d{1,15}$/.test(before) ? Number(before) : null;
  const { actor, data: both } = await onPage(async (ctx) => ({
    changes: await recordOf(ctx, clientId, from),
    attempts: from === null ? await attemptsOf(ctx, clientId) : [],
  }));
  const { changes: data, attempts } = both;
  const last = data[data.length - 1];
  return (
    <main className="px-5 py-4">
      <h1 className="text-[19px]">
        Who changed what?{" "}
        <span className="quiet text-[15px] font-normal">kept for good; nothing here can be edited</span>
      </h1>
      {attempts.length > 0 && (
        <section aria-label="Refused" className="mt-3 border-l-4 border-accent pl-3">
          <h2 className="text-[16px]">
            Tried and refused{" "}
            <span className="quiet text-[15px] font-normal">
              nothing of it was done; look whether somebody needs help
            </span>
          </h2>
          <ul className="mt-1 text-[14px]">
            {attempts.map((a) => (
              <li key={a.id} className="py-0.5">
                <span className="quiet">{moment(a.at, actor.locale, actor.timeZone)}</span> {a.by}{" "}
                <b>{attemptWords(a.deed)}</b>: {a.sentence}
              </li>
            ))}
          </ul>
        </section>
      )}
      {data.length === 0 && <p className="mt-2">Nothing has been changed yet.</p>}
      <table className="lanes mt-2 w-full text-left text-[14px]">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-1 pr-4 font-normal">when</th>
            <th className="py-1 pr-4 font-normal">who</th>
            <th className="py-1 pr-4 font-normal">what</th>
            <th className="py-1 font-normal">before → after</th>
          </tr>
        </thead>
        <tbody>
          {data.map((e) => (
            <tr key={e.id} className="border-b border-rule align-top">
              <td className="whitespace-nowrap py-1 pr-4">{moment(e.at, actor.locale, actor.timeZone)}</td>
              <td className="whitespace-nowrap py-1 pr-4">{e.by}</td>
              <td className="py-1 pr-4 font-bold">{deedWords(e.deed)}</td>
              <td className="py-1">
                <Changes changes={changesInWords(e.before, e.after)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {last && data.length >= 60 && (
        <Link href={`?before=${last.id}`} className="mt-3 inline-block underline">
          earlier changes
        </Link>
      )}
    </main>
  );
}

/** The first one in sight, all of them behind it. */
function Changes({ changes: [first, ...more] }: { changes: FieldChange[] }) {
  if (!first) return null;
  if (more.length === 0) return <Change change={first} />;
  return (
    <details>
      <summary className="cursor-pointer">
        <Change change={first} /> <span className="quiet">and {more.length} more</span>
      </summary>
      {more.map((c) => (
        <p key={c.field}>
          <Change change={c} />
        </p>
      ))}
    </details>
  );
}

function Change({ change: { field, before, after } }: { change: FieldChange }) {
  return (
    <span className="mr-3">
      <span className="quiet">{field}:</span>{" "}
      {before !== null && (
        <>
          <s>{before}</s> →{" "}
        </>
      )}
      {after ?? "–"}
    </span>
  );
}
