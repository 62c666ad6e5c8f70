"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { MatterKind } from "@/core/desk/matters";
import { Problem } from "@/ui/form/Problem";
import { Link } from "@/ui/Link";
import { send } from "@/ui/send";
import { MATTER_WORDS } from "@/words/en/matters";
import { MatterMark } from "./MatterMark";

/** One thing that waits, with whose it is and where it is done. */
export interface DeskRow {
  key: string;
  name: string;
  detail: string;
  sentence: string;
  href: string;
  /** what may be allowed or refused in place; null: nothing */
  requestId: string | null;
}

export interface DeskGroup {
  kind: MatterKind;
  rows: DeskRow[];
}

/** Rows of a group that stand open; the rest is one click away. */
const SHOWN = 8;

/** What waits, in the order in which it matters to who looks. */
export function Desk({ groups, mayAnswer }: { groups: readonly DeskGroup[]; mayAnswer: boolean }) {
  if (groups.length === 0)
    return (
      <p className="border-y border-rule py-6">
        Nothing waits: nobody is stopped, every morning is answered and decided, nothing is due.
      </p>
    );
  return (
    <div className="grid gap-4">
      {groups.map((g) => (
        <section key={g.kind} aria-label={MATTER_WORDS[g.kind]}>
          <h2 className="flex items-center gap-2 border-b border-rule pb-1 text-[17px]">
            <MatterMark kind={g.kind} />
            {MATTER_WORDS[g.kind]} <span className="quiet text-[15px] font-normal">{g.rows.length}</span>
          </h2>
          <ul>
            {g.rows.slice(0, SHOWN).map((r) => (
              <Row key={r.key} row={r} mayAnswer={mayAnswer} />
            ))}
          </ul>
          {g.rows.length > SHOWN && (
            <details>
              <summary className="small cursor-pointer py-1.5 pl-7">{g.rows.length - SHOWN} more</summary>
              <ul>
                {g.rows.slice(SHOWN).map((r) => (
                  <Row key={r.key} row={r} mayAnswer={mayAnswer} />
                ))}
              </ul>
            </details>
          )}
        </section>
      ))}
    </div>
  );
}

function Row({ row, mayAnswer }: { row: DeskRow; mayAnswer: boolean }) {
  return (
    <li className="border-b border-rule">
      <div className="flex items-baseline justify-between gap-4 pl-7">
        <Link
          href={row.href}
          className="group grid flex-1 grid-cols-1 sm:grid-cols-[160px_minmax(0,300px)_minmax(0,1fr)] items-baseline gap-x-4 py-1.5"
        >
          <b className="group-hover:underline">{row.name}</b>
          <span className="small quiet">{row.detail}</span>
          <span className="text-primary group-hover:underline">{row.sentence}</span>
        </Link>
        {row.requestId && mayAnswer && <Answer id={row.requestId} name={row.name} />}
      </div>
    </li>
  );
}

/** Allows with one key; refusing says why. */
function Answer({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const [isRefusing, setRefusing] = useState(false);
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const answer = async (isAllowed: boolean) => {
    const sent = await send(`/api/requests/${id}`, { isAllowed, answer: isAllowed ? null : why });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was written.");
    router.refresh();
  };
  return (
    <div className="grid justify-items-end gap-1 py-1.5">
      {isRefusing ? (
        <form
          className="flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            void answer(false);
          }}
        >
          <input
            // biome-ignore lint/a11y/noAutofocus: it was asked for by the key just pressed
            autoFocus
            className="input input-sm w-[260px] border-rule bg-base-100"
            aria-label={`Why not, for ${name}`}
            placeholder="why not; read on the floor"
            maxLength={500}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <button type="submit" className="btn btn-sm btn-line">
            Refuse
          </button>
        </form>
      ) : (
        <span className="flex gap-2">
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => answer(true)}
            aria-label={`Allow ${name}`}
          >
            Allow
          </button>
          <button
            type="button"
            className="btn btn-sm btn-line"
            onClick={() => setRefusing(true)}
            aria-label={`Refuse ${name}`}
          >
            Refuse
          </button>
        </span>
      )}
      <Problem sentence={problem} />
    </div>
  );
}
