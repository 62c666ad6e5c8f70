"use client";
import { useRef, useState } from "react";
import { BigKeys } from "@/app/_link/BigKeys";
import { bodyFrom } from "@/core/body/segments";
import { loadWords } from "@/core/sheet/line/loadWords";
import { withPounds } from "@/core/units/mass";
import { askedOf } from "@/core/visit/askedOf";
import { feltWords, taskWords } from "@/core/visit/client/homeWords";
import { sideOf } from "@/core/visit/recordOf";
import { currentTask, lineOf } from "@/core/visit/run";
import type { EarlyReason } from "@/core/visit/setRecord";
import { RECHECK_SIGNS, type RecheckSign } from "@/core/visit/signs/recheckSigns";
import { Dialog } from "@/ui/Dialog";
import type { Outbox } from "@/ui/outbox";
import { LinePose } from "@/ui/pose/LinePose";
import { BAND_TONES, BandShape } from "@/ui/visit/BandShape";
import { useSetClock } from "@/ui/visit/useSetClock";
import { type OpenVisit, useVisit } from "@/ui/visit/useVisit";
import { bandOf, clock as clockWords } from "@/ui/visit/visitWords";
import type { HomeProps } from "./HomePage";

/** Who the pictures show: nobody's mass or height is on this phone. */
const ANYBODY = bodyFrom(70, 1.7);

const SCORES = Array.from({ length: 11 }, (_, n) => ({ value: n, words: String(n), says: `${n} of 10` }));
const WHY: readonly { value: EarlyReason; words: string }[] = [
  { value: "muscle", words: "the muscle gave out" },
  { value: "joint_pain", words: "the joint hurt" },
  { value: "position", words: "I could not stay so" },
  { value: "other", words: "something else" },
];
const STOPS: readonly { words: string; reason: string; sign: RecheckSign | null }[] = [
  { words: "It hurts too much", reason: "Stopped by the client: it hurt", sign: null },
  { words: "I feel unwell", reason: "Stopped by the client: felt unwell", sign: RECHECK_SIGNS[5] },
  {
    words: "The knee gave way or locked",
    reason: "Stopped by the client: the knee gave way or locked",
    sign: RECHECK_SIGNS[3],
  },
  { words: "No time left", reason: "No time left", sign: null },
];

/** A visit at home on a phone: the same fold and clock as the floor, one thing on the screen at a time. */
export function HomeRun({
  token,
  clinic,
  sheet,
  machines,
  how,
  outbox,
  open,
  onSign,
}: HomeProps & { outbox: Outbox; open: OpenVisit; onSign: (sign: RecheckSign) => void }) {
  const visit = useVisit(open, outbox, `/api/l/${token}/home/${open.id}`);
  const { state, happen } = visit;
  const clock = useSetClock(state, happen, { beats: true, cellQuery: null, sensorQuery: null });
  const [left, setLeft] = useState<number | null>(null);
  const [pain, setPain] = useState<number | null>(null);
  const [pins, setPins] = useState(false);
  const stopDialog = useRef<HTMLDialogElement>(null);
  const task = state.under?.task ?? currentTask(state);
  const line = task ? lineOf(state, task.lineId) : null;
  const asked = task && line ? askedOf(state, task, line) : { reserve: false, felt: false };
  const band = bandOf(state, clock.restS);
  const isClosing = state.phase === "closing" || state.phase === "finished";
  const ended = state.lines.filter((l) => state.ended[l.lineId]);
  const leg = !task
    ? ""
    : task.leg === "both"
      ? "Both legs"
      : `${sideOf(task.leg, open.firstSide) === "left" ? "Left" : "Right"} leg`;
  const own = task ? state.tasks.filter((t) => t.lineId === task.lineId && t.status !== "dropped") : [];
  const at = own.filter((t) => t.status === "done").length + 1;

  const rate = (p: number, l: number | null) => {
    happen({
      type: "rate",
      pain: p,
      reps: null,
      reserve: asked.reserve ? l : null,
      felt: asked.felt ? l : null,
      recordId: crypto.randomUUID(),
      at: Date.now(),
    });
    setPain(null);
    setLeft(null);
  };
  const stop = (s: (typeof STOPS)[number]) => {
    stopDialog.current?.close();
    happen({ type: "stop", reason: s.reason, at: Date.now() });
    if (s.sign) onSign(s.sign);
  };

  return (
    <main
      data-theme="gym"
      className="mx-auto flex min-h-dvh max-w-[430px] flex-col bg-base-200 text-base-content"
    >
      <header className={`flex items-center gap-3 px-5 py-3 ${BAND_TONES[band.band]}`}>
        <BandShape band={band.band} size={30} />
        <p className="display text-[32px] leading-none" aria-live="polite" data-testid="band">
          {state.phase === "set-up" ? "NEXT" : band.word}
        </p>
        <p className="ml-auto text-right text-[15px] leading-tight">
          {outbox.refused > 0 ? "not taken" : outbox.waiting === 0 ? "sent" : "kept on this phone"}
        </p>
      </header>
      <div className="flex-1 px-5 pt-4 pb-6">
        {(outbox.refusal ?? visit.notice) && (
          <p role="alert" className="mb-3 border-l-4 border-mark pl-3 text-[16px]">
            {outbox.refusal ?? visit.notice}
            {outbox.refused > 0 &&
              ` ${outbox.refused} ${outbox.refused === 1 ? "entry is" : "entries are"} kept on this phone: a new link of ${clinic}, opened here, takes them along.`}
          </p>
        )}
        {ended.length > 0 && !(state.phase === "finished") && (
          <p role="status" className="mb-3 border-l-4 border-mark pl-3 text-[17px]">
            {ended.map((l) => l.name).join(", ")}: over for today, it hurt more than it should. Let the leg
            rest; {isClosing ? "the clinic sees it." : "the next one may still be fine."}
          </p>
        )}
        {!isClosing && line && task && (
          <>
            <h1 className="text-[28px] leading-tight">{line.name}</h1>
            <p className="mt-1 text-[18px]">
              {leg}, {at} of {own.length}
            </p>
          </>
        )}
        {!isClosing && line && task && state.phase !== "rating" && state.phase !== "pain-before" && (
          <div className="mt-2 flex justify-center [&_svg]:max-h-[220px]">
            <LinePose line={line} body={ANYBODY} machines={machines} loadKg={task.loadKg} />
          </div>
        )}
        {state.phase === "set-up" && line && task && (
          <>
            <ul className="mt-3 grid gap-1.5 text-[18px]">
              {how[line.exerciseId]?.needs && <li>You need: {how[line.exerciseId]?.needs}</li>}
              {task.how && (
                <li>
                  Set: <b>{withPounds(loadWords({ how: task.how, load: task.loadKg }), sheet.massUnit)}</b>
                </li>
              )}
              {how[line.exerciseId]?.worn && (
                <li>
                  Wear: <b>{how[line.exerciseId]?.worn}</b>
                </li>
              )}
              {line.setUp.map((s) => (
                <li key={s.name}>
                  {s.name}: <b>{s.value}</b>
                </li>
              ))}
              {how[line.exerciseId]?.cues.map((c) => (
                <li key={c}>{c}</li>
              ))}
              {feltWords(line) && <li>{feltWords(line)}</li>}
              <li>
                If the joint hurts above <b>{line.painMax}</b>, stop.
              </li>
            </ul>
            {line.needsPins && (
              <label className="mt-4 flex min-h-[60px] items-center gap-3 border-2 border-mark px-3 text-[19px] font-bold">
                <input
                  type="checkbox"
                  className="checkbox checkbox-lg"
                  checked={pins}
                  onChange={(e) => setPins(e.target.checked)}
                />
                The stop or pins are in, and hold
              </label>
            )}
            <Big
              words="I am ready"
              isOff={line.needsPins && !pins}
              onPress={() => {
                happen({ type: "set-up", lineId: line.lineId, pins, at: Date.now() });
                setPins(false);
              }}
            />
          </>
        )}
        {state.phase === "pain-before" && (
          <BigKeys
            label="Pain in the joint now"
            options={SCORES}
            value={null}
            onPick={(n) => happen({ type: "pain-before", score: n, at: Date.now() })}
            columns={6}
          />
        )}
        {state.phase === "ready" && task && (
          <>
            <Giant
              {...(clock.restS > 0
                ? { value: clockWords(clock.restS), under: "rest, then the next" }
                : taskWords(task))}
            />
            <Big words={clock.restS > 0 ? "Start now" : "Start"} onPress={clock.start} />
          </>
        )}
        {state.phase === "working" && task && !clock.isEarly && (
          <>
            {task.holdS !== null ? (
              <Giant value={clockWords(clock.seconds ?? 0)} under="to go · breathe" />
            ) : (
              <button
                type="button"
                className="mt-3 block w-full cursor-pointer rounded border border-base-content/40 py-3"
                onClick={clock.tap}
                aria-label="one more"
              >
                <Giant
                  value={String(clock.counted ?? 0)}
                  under={`of ${task.reps ?? "as many as fit"} · tap each`}
                />
              </button>
            )}
            <Big words={task.holdS !== null ? "Stop this one" : "That was it"} onPress={clock.end} />
          </>
        )}
        {clock.isEarly && (
          <BigKeys
            label="Why did it end early?"
            options={WHY}
            value={null}
            onPick={clock.sayWhy}
            columns={2}
          />
        )}
        {state.phase === "rating" && (
          <>
            <BigKeys
              label="Pain in the joint during it"
              help="not the burn of the muscle"
              options={SCORES}
              value={pain}
              onPick={(n) => ((asked.reserve || asked.felt) && left === null ? setPain(n) : rate(n, left))}
              columns={6}
            />
            {(asked.reserve || asked.felt) && (
              <BigKeys
                label={asked.felt ? "How hard was it?" : "How many more could you have done?"}
                help={asked.felt ? "0 is nothing, 10 the most you can" : "10 is ten or more"}
                options={SCORES.map((s) => ({
                  ...s,
                  says: asked.felt ? `effort ${s.value} of 10` : `${s.value} more`,
                }))}
                value={left}
                onPick={(n) => (pain === null ? setLeft(n) : rate(pain, n))}
                columns={6}
              />
            )}
          </>
        )}
        {state.phase === "closing" && (
          <>
            <h1 className="text-[28px] leading-tight">{state.stopped ? "Stopped" : "All done"}</h1>
            <BigKeys
              label="Pain in the joint now"
              options={SCORES}
              value={null}
              onPick={(n) => happen({ type: "finish", painAtEnd: n, at: Date.now() })}
              columns={6}
            />
          </>
        )}
        {state.phase === "finished" && (
          <div role="status">
            <h1 className="text-[28px] leading-tight">Done for today</h1>
            <p className="mt-3 text-[18px]">
              {outbox.refused > 0
                ? `The clinic did not take all of it: ${outbox.refused} ${outbox.refused === 1 ? "entry is" : "entries are"} kept on this phone. Call ${clinic} for a new link and open it here.`
                : outbox.waiting === 0
                  ? "The clinic has it."
                  : "It is kept on this phone and goes to the clinic when there is a network. Leave this page open, or open the link again."}{" "}
              Tomorrow morning a few questions come about the knee.
            </p>
            {(state.finished?.painAtEnd ?? 0) > sheet.painMax && (
              <p className="mt-3 border-l-4 border-mark pl-3 text-[18px]">
                {state.finished?.painAtEnd} is more than your limit of {sheet.painMax}: rest the leg today. If
                it is not better in the evening, call {clinic}.
              </p>
            )}
          </div>
        )}
      </div>
      {!isClosing && (
        <footer className="sticky bottom-0 flex gap-3 bg-base-200 px-5 pt-2 pb-5">
          <button
            type="button"
            className="btn min-h-[56px] border-rule bg-base-100 text-[17px]"
            onClick={visit.undo}
            disabled={!visit.canUndo}
          >
            back
          </button>
          <button
            type="button"
            className="btn min-h-[60px] flex-1 border-none bg-[#b3301f] text-[22px] text-white"
            onClick={() => stopDialog.current?.showModal()}
          >
            Stop
          </button>
        </footer>
      )}
      <Dialog ref={stopDialog} label="Stop for today">
        <h2 className="text-[22px]">Stop for today?</h2>
        <div className="mt-3 grid gap-2">
          {STOPS.map((s) => (
            <button
              key={s.words}
              type="button"
              className="btn min-h-[56px] border-rule bg-base-200 text-[18px]"
              onClick={() => stop(s)}
            >
              {s.words}
            </button>
          ))}
          <button
            type="button"
            className="btn btn-ghost min-h-[52px] text-[17px]"
            onClick={() => stopDialog.current?.close()}
          >
            Go on
          </button>
        </div>
      </Dialog>
    </main>
  );
}

function Giant({ value, under }: { value: string; under: string }) {
  return (
    <span className="mt-3 block text-center">
      <span className="display block text-[120px] leading-[0.95]" data-testid="giant">
        {value}
      </span>
      <span className="block text-[19px]">{under}</span>
    </span>
  );
}

function Big({ words, onPress, isOff = false }: { words: string; onPress: () => void; isOff?: boolean }) {
  return (
    <button
      type="button"
      className="btn btn-primary mt-5 min-h-[64px] w-full text-[23px]"
      onClick={onPress}
      disabled={isOff}
    >
      {words}
    </button>
  );
}
