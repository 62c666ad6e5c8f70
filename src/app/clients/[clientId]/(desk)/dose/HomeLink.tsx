"use client";
import { useState } from "react";
import { CopyLink } from "@/ui/CopyLink";
import { Problem } from "@/ui/form/Problem";
import { Link } from "@/ui/Link";
import { useSendOnce } from "@/ui/useSendOnce";

/** A sheet for home goes out: by a link for a phone, or on paper. */
export function HomeLink({
  clientId,
  sheetId,
  mayMake,
}: {
  clientId: string;
  sheetId: string;
  mayMake: boolean;
}) {
  const sendOnce = useSendOnce();
  const [path, setPath] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const make = async () => {
    const sent = await sendOnce<string>(`/api/clients/${clientId}/home-links`, (id) => ({ id, sheetId }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "No link was made.");
    setProblem(null);
    setPath(`/h/${sent.result}`);
  };
  return (
    <div className="mt-2 flex flex-wrap items-baseline gap-3">
      {mayMake && !path && (
        <button type="button" className="btn btn-sm btn-line" onClick={make}>
          Make a link for the phone
        </button>
      )}
      {path && <CopyLink path={path} label="Copy the link for home" />}
      {path && (
        <span className="small quiet">
          opens for six weeks; an earlier link of this sheet no longer opens
        </span>
      )}
      <Link href={`/clients/${clientId}/home-sheet?sheet=${sheetId}`} className="small underline">
        On paper
      </Link>
      <Problem sentence={problem} />
    </div>
  );
}
