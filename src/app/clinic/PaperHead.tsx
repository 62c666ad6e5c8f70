"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Letterhead, PaperSize } from "@/core/paper/doc";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

/** The clinic's address and the size of its paper. */
export function PaperHead({ head }: { head: Letterhead }) {
  const router = useRouter();
  const [address, setAddress] = useState(head.address);
  const [contact, setContact] = useState(head.contact);
  const [paper, setPaper] = useState<PaperSize>(head.size);
  const [problem, setProblem] = useState<string | null>(null);
  const [isSaved, setSaved] = useState(false);
  const save = async () => {
    const sent = await send("/api/clinic/paper", { address, contact, paper });
    setSaved(sent.ok);
    setProblem(sent.ok ? null : (sent.problems[0]?.sentence ?? null));
    if (sent.ok) router.refresh();
  };
  return (
    <form
      className="grid max-w-[520px] gap-3"
      onChange={() => setSaved(false)}
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label>
        <span className="block">Address</span>
        <textarea
          className="textarea textarea-sm w-full"
          rows={3}
          value={address}
          onChange={(e) => setAddress(e.target.value)}
        />
      </label>
      <label>
        <span className="block">How the clinic is reached</span>
        <input
          className="input input-sm w-full"
          value={contact}
          onChange={(e) => setContact(e.target.value)}
        />
      </label>
      <label>
        <span className="block">Paper</span>
        <select
          className="select select-sm"
          value={paper}
          onChange={(e) => setPaper(e.target.value as PaperSize)}
        >
          <option value="A4">A4</option>
          <option value="LETTER">Letter</option>
        </select>
      </label>
      <Problem sentence={problem} />
      <p className="flex items-center gap-3">
        <button type="submit" className="btn btn-primary">
          Save
        </button>
        <span role="status" className="small quiet">
          {isSaved ? "saved" : ""}
        </span>
      </p>
    </form>
  );
}
