import type { RefObject } from "react";
import type { Line, useScore } from "./useScore";

/** The keys of Dose with their words; who may not write moves and reads only. */
export function doseKeys({
  mayWrite,
  line,
  score,
  step,
  share,
  draft,
  save,
  show,
}: {
  mayWrite: boolean;
  line: Line | null;
  score: ReturnType<typeof useScore>;
  step: (by: 1 | -1) => void;
  share: () => void;
  draft: () => void;
  save: () => void;
  show: Record<"adder" | "starter" | "homeDialog" | "finder", RefObject<HTMLDialogElement | null>>;
}) {
  const writes = (run: () => void) => () => {
    if (mayWrite) run();
  };
  const ofLine = (run: (key: string) => void) => writes(() => line && run(line.key));
  return [
    { key: "j", words: "next line", run: () => step(1) },
    { key: "k", words: "previous line", run: () => step(-1) },
    { key: "u", words: "move the line up", run: ofLine((key) => score.move(key, -1)) },
    { key: "d", words: "move the line down", run: ofLine((key) => score.move(key, 1)) },
    { key: "x", words: "take the line out", run: ofLine((key) => score.remove(key)) },
    { key: "g", words: "in the rests of the line above, or alone", run: writes(share) },
    { key: "a", words: "add an exercise", run: writes(() => show.adder.current?.showModal()) },
    {
      key: "o",
      words: "start from a template or an earlier version",
      run: writes(() => show.starter.current?.showModal()),
    },
    { key: "t", words: "draft from the rules", run: draft },
    { key: "h", words: "home version", run: writes(() => show.homeDialog.current?.showModal()) },
    { key: "f", words: "find a dose for the hold", run: writes(() => show.finder.current?.showModal()) },
    { key: "z", words: "undo", run: score.undo },
    { key: "y", words: "redo", run: score.redo },
    { key: "s", words: "save the sheet", run: save },
    { key: "Escape", label: "esc", words: "out of a field, back to these keys", run: () => undefined },
  ];
}
