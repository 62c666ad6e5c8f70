"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { fileSize } from "@/core/units/fileSize";
import type { ImportKind } from "@/server/exchange/plansOf";
import { isBeginningOf, sendFile } from "@/ui/files/sendFile";
import { Problem } from "@/ui/form/Problem";
import { FILE_KINDS } from "@/words/en/files/exchange";

const KINDS = Object.keys(FILE_KINDS) as ImportKind[];

const percentOf = (share: number): string => `${Math.floor(share * 100)} %`;

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

/** A file that stopped on its way. */
export interface OnItsWay {
  id: string;
  kind: ImportKind;
  fileName: string;
  bytes: number;
  haveBytes: number;
}

/** Choosing a file and saying what it is; it is sent piece by piece, goes on after a break, and is looked through. */
export function ReadIn({ onTheirWay }: { onTheirWay: readonly OnItsWay[] }) {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [kind, setKind] = useState<ImportKind | "">("");
  const [problem, setProblem] = useState<string | null>(null);
  // what is being sent, or stopped and can go on
  const [way, setWay] = useState<{ id: string; haveBytes: number; isBusy: boolean } | null>(null);
  const isBusy = way?.isBusy ?? false;
  const begun = onTheirWay.find(
    (o) => file && o.kind === kind && o.fileName === file.name && o.bytes === file.size,
  );
  const send = async () => {
    if (!file) return setProblem("Choose a file first.");
    if (!kind) return setProblem("Say what kind of file it is.");
    setProblem(null);
    setWay((w) => ({ id: w?.id ?? "", haveBytes: w?.haveBytes ?? 0, isBusy: true }));
    try {
      const goesOn = way?.id || (begun && (await isBeginningOf(file, begun.id)) ? begun.id : null);
      const id = goesOn ?? crypto.randomUUID();
      const sent = await sendFile(file, { id, kind }, (haveBytes) => setWay({ id, haveBytes, isBusy: true }));
      if (sent.ok) return router.push(`/files/${id}`);
      setProblem(sent.sentence);
      setWay((w) => (sent.isBreak && w ? { ...w, isBusy: false } : null));
    } catch {
      setProblem("This file could not be read on this device. Choose it again.");
      setWay(null);
    }
  };
  const share = file && way ? way.haveBytes / file.size : 0;
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
            setWay(null);
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
          onChange={(e) => {
            setWay(null);
            setKind(e.target.value as ImportKind);
          }}
        >
          <option value="">choose</option>
          {KINDS.map((k) => (
            <option key={k} value={k}>
              {FILE_KINDS[k]}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn btn-sm btn-primary" disabled={isBusy}>
        {isBusy
          ? share < 1
            ? "Sending it …"
            : "Looking through it …"
          : begun || way
            ? "Go on"
            : "Look through it"}
      </button>
      {file && way && (
        <p className="small w-full" role="status">
          <progress
            className="progress mr-3 w-[260px] align-middle"
            max={1}
            value={share}
            aria-label="Sent"
          />
          {percentOf(share)} of {fileSize(file.size)}
        </p>
      )}
      {begun && !way && (
        <p className="small w-full">
          {percentOf(begun.haveBytes / begun.bytes)} of this file arrived before: it goes on from there.
        </p>
      )}
      <div className="w-full">
        <Problem sentence={problem} />
      </div>
    </form>
  );
}
