"use client";
import { useRef, useState } from "react";
import { BigKeys, useScores } from "@/app/_link/BigKeys";
import { bodyFrom } from "@/core/body/segments";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { asKept } from "@/core/units/said";
import { askedOf } from "@/core/visit/between/askedOf";
import { offerFor } from "@/core/visit/between/offer";
import { feltSaid, lastSaid, loadSaid, taskSaid } from "@/core/visit/client/homeSaid";
import { sideOf } from "@/core/visit/recordOf";
import { currentTask, lineOf } from "@/core/visit/run";
import type { EarlyReason } from "@/core/visit/setRecord";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import { CLIENT_STOPS } from "@/core/visit/signs/stopReasons";
import { Dialog } from "@/ui/Dialog";
import type { Outbox } from "@/ui/outbox";
import { LinePose } from "@/ui/pose/LinePose";
import { useLabels, useSay } from "@/ui/reader";
import { BAND_TONES, BandShape } from "@/ui/visit/BandShape";
import { useSetClock } from "@/ui/visit/useSetClock";
import { type OpenVisit, useVisit } from "@/ui/visit/useVisit";
import { bandOf, clock as clockWords } from "@/ui/visit/visitWords";
import type { HomeProps } from "./HomePage";

/** Who the pictures show: nobody's mass or height is on this phone. */
const ANYBODY = bodyFrom(70, 1.7);

/** What a client can tell without anybody looking. */
const EARLY = ["muscle", "joint_pain", "position", "other"] as const satisfies readonly EarlyReason[];

/** Why a line ended that the muscle ended. */
const GAVE_OUT = asKept({ code: "floor.gave_out" });

const BAND_LABELS = {
  set_up: "band_next",
  pain: "band_pain",
  go: "band_go",
  hold: "band_hold",
  move: "band_move",
  rest: "band_rest",
  done: "band_done",
} as const;

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
  const [say, t, shared] = [useSay(), useLabels("atHome"), useLabels("link")];
  const paper = useLabels("clientPaper");
  const scores = useScores();
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
  const offer = offerFor(state);
  const band = bandOf(state, clock.restS);
  const isClosing = state.phase === "closing" || state.phase === "finished";
  const ended = state.lines.filter((l) => state.ended[l.lineId]);
  const gaveOut = (l: KeptLine) => state.ended[l.lineId] === GAVE_OUT;
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
  const nameOf = (l: KeptLine) => how[l.exerciseId]?.name ?? l.name;
  const howTo = line ? how[line.exerciseId] : undefined;
  const stop = (s: (typeof CLIENT_STOPS)[number]) => {
    stopDialog.current?.close();
    happen({ type: "stop", reason: s.id, at: Date.now() });
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
          {t(BAND_LABELS[band.band])}
        </p>
        <p className="ml-auto text-right text-[15px] leading-tight">
          {t(outbox.refused > 0 ? "badge_refused" : outbox.waiting === 0 ? "badge_sent" : "badge_waits")}
        </p>
      </header>
      <div className="flex-1 px-5 pt-4 pb-6">
        {(outbox.refusal ?? visit.notice) && (
          <p role="alert" className="mb-3 border-l-4 border-mark pl-3 text-[16px]">
            {outbox.refusal ?? visit.notice}
            {outbox.refused > 0 && ` ${t("refused_kept", { n: outbox.refused, clinic })}`}
          </p>
        )}
        {state.phase !== "finished" &&
          (["line_over", "line_gave_out"] as const).map((why) => {
            const names = ended.filter((l) => (why === "line_gave_out") === gaveOut(l)).map(nameOf);
            return (
              names.length > 0 && (
                <p key={why} role="status" className="mb-3 border-l-4 border-mark pl-3 text-[17px]">
                  {t(why, { names: names.join(", "), isLast: isClosing })}
                </p>
              )
            );
          })}
        {!isClosing && line && task && (
          <>
            <h1 className="text-[28px] leading-tight">{nameOf(line)}</h1>
            <p className="mt-1 text-[18px]">
              {t("leg_of", {
                leg: task.leg === "both" ? "both" : sideOf(task.leg, open.firstSide),
                at,
                of: own.length,
              })}
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
              {howTo?.needs && <li>{t("needs", { what: howTo.needs })}</li>}
              {task.how && (
                <li className="font-bold">{t("set", { what: say(loadSaid(task.how, task.loadKg)) })}</li>
              )}
              {lastSaid(line.sets[task.set]) && (
                <li className="font-bold">{say(lastSaid(line.sets[task.set]) ?? "")}</li>
              )}
              {howTo && howTo.worn !== "none" && (
                <li className="font-bold">{t("wear", { what: paper("worn", { worn: howTo.worn }) })}</li>
              )}
              {line.setUp.map((s) => (
                <li key={s.name}>
                  {paper("setting", { key: s.key, name: s.name })}: <b>{s.value}</b>
                </li>
              ))}
              {howTo?.cues.map((c) => (
                <li key={c}>{c}</li>
              ))}
              {feltSaid(line) && <li>{say(feltSaid(line) ?? "")}</li>}
              <li>{t("stop_above", { pain: line.painMax })}</li>
            </ul>
            {line.needsPins && (
              <label className="mt-4 flex min-h-[60px] items-center gap-3 border-2 border-mark px-3 text-[19px] font-bold">
                <input
                  type="checkbox"
                  className="checkbox checkbox-lg"
                  checked={pins}
                  onChange={(e) => setPins(e.target.checked)}
                />
                {t("pins")}
              </label>
            )}
            <Big
              words={t("ready")}
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
            label={shared("pain_now")}
            options={scores}
            value={null}
            onPick={(n) => happen({ type: "pain-before", score: n, at: Date.now() })}
            columns={6}
          />
        )}
        {state.phase === "ready" && task && (
          <>
            <Giant
              {...(clock.restS > 0
                ? { value: clockWords(clock.restS), under: t("rest") }
                : { value: String(taskSaid(task).n), under: say(taskSaid(task)) })}
            />
            {offer?.isMore && (
              <button
                type="button"
                className="btn mt-4 h-auto min-h-[60px] w-full border-2 border-primary bg-base-100 py-2 text-[19px]"
                onClick={() => {
                  const { lineId, loadKg, reps } = offer;
                  happen({ type: "take", lineId, loadKg, reps, at: Date.now() });
                }}
              >
                {t("offer_more", { reps: offer.reps })}
              </button>
            )}
            <Big words={t(clock.restS > 0 ? "start_now" : "start")} onPress={clock.start} />
          </>
        )}
        {state.phase === "working" && task && !clock.isEarly && (
          <>
            {task.holdS !== null ? (
              <Giant value={clockWords(clock.seconds ?? 0)} under={t("breathe")} />
            ) : (
              <button
                type="button"
                className="mt-3 block w-full cursor-pointer rounded border border-base-content/40 py-3"
                onClick={clock.tap}
                aria-label={t("one_more")}
              >
                <Giant value={String(clock.counted ?? 0)} under={t("of_reps", { reps: task.reps })} />
              </button>
            )}
            <Big words={t(task.holdS !== null ? "stop_this" : "that_was_it")} onPress={clock.end} />
          </>
        )}
        {clock.isEarly && (
          <BigKeys
            label={t("why_early")}
            options={EARLY.map((why) => ({ value: why as EarlyReason, words: t("early", { why }) }))}
            value={null}
            onPick={clock.sayWhy}
            columns={2}
          />
        )}
        {state.phase === "rating" && (
          <>
            <BigKeys
              label={t("pain_in")}
              help={t("pain_in_help")}
              options={scores}
              value={pain}
              onPick={(n) => ((asked.reserve || asked.felt) && left === null ? setPain(n) : rate(n, left))}
              columns={6}
            />
            {(asked.reserve || asked.felt) && (
              <BigKeys
                label={t(asked.felt ? "how_hard" : "how_many")}
                help={t(asked.felt ? "how_hard_help" : "how_many_help")}
                options={scores.map((s) => ({
                  ...s,
                  says: t(asked.felt ? "effort" : "more", { n: s.value }),
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
            <h1 className="text-[28px] leading-tight">{t(state.stopped ? "stopped" : "all_done")}</h1>
            <BigKeys
              label={shared("pain_now")}
              options={scores}
              value={null}
              onPick={(n) => happen({ type: "finish", painAtEnd: n, at: Date.now() })}
              columns={6}
            />
          </>
        )}
        {state.phase === "finished" && (
          <div role="status">
            <h1 className="text-[28px] leading-tight">{t("done")}</h1>
            <p className="mt-3 text-[18px]">
              {outbox.refused > 0
                ? t("end_refused", { n: outbox.refused, clinic })
                : t(outbox.waiting === 0 ? "end_sent" : "end_waits")}{" "}
              {t("tomorrow")}
            </p>
            {(state.finished?.painAtEnd ?? 0) > sheet.painMax && (
              <p className="mt-3 border-l-4 border-mark pl-3 text-[18px]">
                {t("above_limit", { pain: state.finished?.painAtEnd ?? 0, most: sheet.painMax, clinic })}
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
            {t("back")}
          </button>
          <button
            type="button"
            className="btn min-h-[60px] flex-1 border-none bg-[#b3301f] text-[22px] text-white"
            onClick={() => stopDialog.current?.showModal()}
          >
            {t("stop")}
          </button>
        </footer>
      )}
      <Dialog ref={stopDialog} label={t("stop_label")}>
        <h2 className="text-[22px]">{t("stop_ask")}</h2>
        <div className="mt-3 grid gap-2">
          {CLIENT_STOPS.map((s) => (
            <button
              key={s.id}
              type="button"
              className="btn min-h-[56px] border-rule bg-base-200 text-[18px]"
              onClick={() => stop(s)}
            >
              {say({ code: "visit.stop_by_client", reason: s.id })}
            </button>
          ))}
          <button
            type="button"
            className="btn btn-ghost min-h-[52px] text-[17px]"
            onClick={() => stopDialog.current?.close()}
          >
            {t("go_on")}
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
