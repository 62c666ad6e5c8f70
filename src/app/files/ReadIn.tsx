"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { FieldProblem } from "@/core/units/inputError";
import type { ImportKind } from "@/server/exchange/plansOf";
import { Problem } from "@/ui/form/Problem";
import { kindWords } from "./kindWords";

const KINDS = Object.keys(kindWords) as ImportKind[];

/** What a name says a file may be; a person can say otherwise. */
const guess = (name: string): ImportKind | null =>
  name.endsWith(".zip")
    ? "clinic"
    : name.endsWith(".fhir.json")
      ? "fhir"
      : name.includes("machines") && name.endsWith(".json")
        ? "machines"
        : name.endsWith(".json")
          ? "client"
          : null;

/** Choosing a file and saying what it is; then it is looked through. */
export function ReadIn() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [kind, setKind] = useState<ImportKind | "">("");
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const send = async () => {
    if (!file) return setProblem("Choose a file first.");
    if (!kind) return setProblem("Say what kind of file it is.");
    setProblem(null);
    setBusy(true);
    const id = crypto.randomUUID();
    try {
      const query = new URLSearchParams({ id, kind, name: file.name });
      const response = await fetch(`/api/imports?${query}`, {
        method: "POST",
        headers: { "content-type": "application/octet-stream" },
        body: file,
      });
      if (response.ok) return router.push(`/files/${id}`);
      const { problems } = (await response.json()) as { problems: FieldProblem[] };
      setProblem(problems[0]?.sentence ?? null);
    } catch {
      setProblem(
        "The clinic's server does not answer, or the file is longer than it takes. Nothing was read in.",
      );
    }
    setBusy(false);
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <label className="small">
        <span className="block">File</span>
        <input
          type="file"
          accept=".json,.csv,.zip,.txt"
          className="file-input file-input-sm w-[min(300px,calc(100vw-4rem))] border-rule"
          onChange={(e) => {
            const chosen = e.target.files?.[0] ?? null;
            setFile(chosen);
            setKind((k) => (chosen ? (guess(chosen.name) ?? k) : k));
          }}
        />
      </label>
      <label className="small">
        <span className="block">What it is</span>
        <select
          className="select select-sm w-[280px]"
          value={kind}
          onChange={(e) => setKind(e.target.value as ImportKind)}
        >
          <option value="">choose</option>
          {KINDS.map((k) => (
            <option key={k} value={k}>
              {kindWords[k]}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn btn-sm btn-primary" disabled={isBusy}>
        {isBusy ? "Looking through it …" : "Look through it"}
      </button>
      <div className="w-full">
        <Problem sentence={problem} />
      </div>
    </form>
  );
}
