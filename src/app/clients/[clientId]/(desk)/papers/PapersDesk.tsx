"use client";
import { useState } from "react";
import type { PaperSize } from "@/core/paper/doc";
import type { PaperInput } from "@/core/paper/paperInput";
import { LANGUAGES, type Language } from "@/core/units/language";
import { FileButton } from "@/ui/files/FileButton";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";
import { LANGUAGE_NAMES } from "@/words/languages";

interface Named {
  id: string;
  name: string;
}

/** Papers with what each is for; a letter takes whom it is to and what is asked. */
export function PapersDesk({
  clientId,
  language,
  sheets,
  episodes,
  size: usual,
  whyNoLetter,
}: {
  clientId: string;
  /** of the client's own pages and papers */
  language: Language;
  sheets: Named[];
  episodes: { id: string; words: string }[];
  size: PaperSize;
  whyNoLetter: string | null;
}) {
  const [size, setSize] = useState<PaperSize>(usual);
  const [episodeId, setEpisode] = useState(episodes[0]?.id ?? "");
  const [to, setTo] = useState("");
  const [questions, setQuestions] = useState("");
  const [spoken, setSpoken] = useState(language);
  const [problem, setProblem] = useState<string | null>(null);
  const speak = async (to: Language) => {
    const sent = await send(`/api/clients/${clientId}/language`, { language: to }, "The language is kept.");
    if (sent.ok) setSpoken(to);
    setProblem(sent.ok ? null : (sent.problems[0]?.sentence ?? "The language was not kept. Try again."));
  };
  const path = `/api/clients/${clientId}/papers`;
  const paper = (over: Partial<PaperInput> & Pick<PaperInput, "kind">): PaperInput => ({
    size,
    sheetId: null,
    episodeId: episodeId || null,
    to: "",
    questions: "",
    ...over,
  });
  return (
    <main className="max-w-[860px] px-5 py-4">
      <header className="flex items-baseline justify-between">
        <h1 className="text-[19px]">
          Papers <span className="quiet text-[15px] font-normal">PDF, text can be selected</span>
        </h1>
        <label className="small">
          paper{" "}
          <select
            className="select select-sm w-[110px]"
            value={size}
            onChange={(e) => setSize(e.target.value as PaperSize)}
          >
            <option value="A4">A4</option>
            <option value="LETTER">Letter</option>
          </select>
        </label>
      </header>
      <Part
        name="For the client"
        about="drawings, what to set, how many, how it may feel, what if it hurts, when next"
      >
        {sheets.length === 0
          ? "No sheet is in force."
          : sheets.map((s) => (
              <FileButton
                // a paper that was made is not the one in another language
                key={`${s.id} ${spoken}`}
                path={path}
                body={paper({ kind: "sheet", sheetId: s.id })}
              >
                {`Sheet “${s.name}”`}
              </FileButton>
            ))}
        <label className="w-full">
          language of their papers, morning and exercises at home{" "}
          <select
            className="select select-sm w-[140px]"
            value={spoken}
            onChange={(e) => speak(e.target.value as Language)}
          >
            {LANGUAGES.map((l) => (
              <option key={l} value={l}>
                {LANGUAGE_NAMES[l].name}
              </option>
            ))}
          </select>
        </label>
        <Problem sentence={problem} />
      </Part>
      <Part name="For the machine's side" about="what to set, what to check, when to stop">
        {sheets.length === 0
          ? "No sheet is in force."
          : sheets.map((s) => (
              <FileButton key={s.id} path={path} body={paper({ kind: "card", sheetId: s.id })}>
                {`Set-up of “${s.name}”`}
              </FileButton>
            ))}
      </Part>
      {episodes.length > 1 && (
        <p className="small mt-4">
          <label>
            of the episode{" "}
            <select
              className="select select-sm w-[360px] max-w-full"
              value={episodeId}
              onChange={(e) => setEpisode(e.target.value)}
            >
              {episodes.map((e) => (
                <option key={e.id} value={e.id}>
                  {e.words}
                </option>
              ))}
            </select>
          </label>
        </p>
      )}
      <Part
        name="For a surgeon or physician"
        about="one page: course, findings with their error, what is done, your questions"
      >
        {whyNoLetter ?? (
          <div className="grid w-full grid-cols-1 gap-2">
            <label>
              <span className="block">To</span>
              <input
                className="input input-sm w-[420px] max-w-full"
                maxLength={200}
                value={to}
                onChange={(e) => setTo(e.target.value)}
              />
            </label>
            <label>
              <span className="block">Questions</span>
              <textarea
                className="textarea textarea-sm w-full max-w-[640px]"
                rows={3}
                maxLength={1200}
                value={questions}
                onChange={(e) => setQuestions(e.target.value)}
              />
            </label>
            <FileButton path={path} body={paper({ kind: "letter", to, questions })}>
              Letter
            </FileButton>
          </div>
        )}
      </Part>
      <Part
        name="For the file"
        about="every row first and last, phases, limits, decisions; and who changed what"
      >
        <FileButton path={path} body={paper({ kind: "summary" })}>
          Summary of the episode
        </FileButton>
        <FileButton path={path} body={paper({ kind: "record" })}>
          Record of changes
        </FileButton>
      </Part>
    </main>
  );
}

function Part({ name, about, children }: { name: string; about: string; children: React.ReactNode }) {
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <h2 className="text-[17px]">
        {name} <span className="small quiet font-normal">{about}</span>
      </h2>
      <div className="mt-2 flex flex-wrap gap-3">{children}</div>
    </section>
  );
}
