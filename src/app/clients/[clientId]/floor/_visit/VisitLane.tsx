"use client";
import { useEffect, useRef, useState } from "react";
import { ownLines } from "@/core/rules/ownLines";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { fromKept } from "@/core/units/said";
import { offerFor } from "@/core/visit/between/offer";
import { sideOf } from "@/core/visit/recordOf";
import { aidNow, currentTask, type LiveTask, lineOf, type VisitState } from "@/core/visit/run";
import { taskKey } from "@/core/visit/tasks";
import { wrapNow } from "@/core/visit/worn";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { scoreDeeds } from "@/ui/keys/scoreDeeds";
import { useOutbox } from "@/ui/outbox";
import { LinePose } from "@/ui/pose/LinePose";
import { Said } from "@/ui/reader";
import { useSetClock } from "@/ui/visit/useSetClock";
import { type OpenVisit, useVisit } from "@/ui/visit/useVisit";
import { bandOf, missingWords, savedWords, spaceDoes } from "@/ui/visit/visitWords";
import { SCHEME_NAMES } from "@/words/en/plan/line";
import { wayWords } from "@/words/en/plan/way";
import { WRAP } from "@/words/en/visit/floor";
import { AskDialog } from "../../_ask/AskDialog";
import { Asked } from "../../_ask/Asked";
import type { FloorLaneProps } from "../FloorLane";
import { Closing } from "./Closing";
import { cellQuery, sensorQuery } from "./deviceQueries";
import { Entry } from "./Entry";
import { FloorTop } from "./FloorTop";
import { LineActions } from "./LineActions";
import { SetBars } from "./SetBars";
import { SetUpCard } from "./SetUpCard";
import { Stage } from "./Stage";
import { StateBand } from "./StateBand";
import { StopDialog } from "./StopDialog";
import { SwapDialog } from "./SwapDialog";
import { AidPick } from "./told/AidPick";
import { ElsewhereKeys, ElsewherePick } from "./told/ElsewhereKeys";
import { FeelKeys, feelAsked } from "./told/FeelKeys";
import { MarkerKeys } from "./told/MarkerKeys";
import { SeenChips } from "./told/SeenChips";
import { useRating } from "./told/useRating";
import { WhatToSet } from "./WhatToSet";

/** A question stands so long before a key answers it. */
const SETTLES_MS = 250;

/** The visit under way: the band, what to set, the giant number, pain keys, and a stop that is always live. */
export function VisitLane(props: FloorLaneProps & { open: OpenVisit }) {
  const { client, open } = props;
  const outbox = useOutbox(props.who);
  const visit = useVisit(open, outbox);
  const { state, happen } = visit;
  const [usesCell, setUsesCell] = useState(true);
  const [usesSensor, setUsesSensor] = useState(false);
  const [beats, setBeats] = useState(true);
  const [pinsOf, setPinsOf] = useState<string | null>(null);
  const [swapOf, setSwapOf] = useState<Pick<KeptLine, "lineId" | "name"> | null>(null);
  const stopDialog = useRef<HTMLDialogElement>(null);
  const swapDialog = useRef<HTMLDialogElement>(null);
  const askDialog = useRef<HTMLDialogElement>(null);
  const [askTurn, setAskTurn] = useState(0);
  const stopAt = useRef(0);

  const task = state.under?.task ?? currentTask(state);
  const line = task ? lineOf(state, task.lineId) : null;
  const worn = line ? aidNow(state, line.lineId).worn : "none";
  const painMax = line?.painMax ?? props.painMax;
  const clock = useSetClock(state, happen, {
    beats,
    cellQuery: usesCell && line && task ? cellQuery(client.clientId, open.firstSide, line, task) : null,
    sensorQuery: usesSensor && line && task ? sensorQuery(client.clientId, open.firstSide, line, task) : null,
  });
  const rating = useRating(state, task, line, happen);
  const { asked, pain, left, seen, elsewhere } = rating;
  // a key that was pressed before its question stood here answers nothing
  const question = `${state.phase} ${task ? taskKey(task) : ""} ${pain !== null}`;
  const shown = useRef({ question: "", at: 0 });
  useEffect(() => {
    shown.current = { question, at: performance.now() };
  }, [question]);
  const isSettled = () =>
    shown.current.question === question && performance.now() - shown.current.at > SETTLES_MS;
  const pins = line !== null && pinsOf === line.lineId;
  const isReady = line !== null && (pins || !line.needsPins);
  const setUpDone = () => {
    if (line && isReady) happen({ type: "set-up", lineId: line.lineId, pins, at: Date.now() });
  };
  const score = (n: number) => {
    if (clock.isEarly) return;
    // one tap less: who answers the pain has set the machine
    if (state.phase === "set-up") {
      if (!isReady) return;
      setUpDone();
      happen({ type: "pain-before", score: n, at: Date.now() });
    } else if (state.phase === "rating") rating.answerPain(n);
    else if (state.phase === "working" && task?.holdS === null) {
      clock.end();
      rating.keepPain(n);
    } else happen({ type: "pain-before", score: n, at: Date.now() });
  };
  // the number keys answer what is asked next: the pain, then what was left
  const scoreByKey = (n: number) => {
    if (!isSettled()) return;
    if (rating.asksLeft) rating.answerLeft(n);
    else score(n);
  };

  // on a narrow screen the keys make room for what is set until they are asked
  const isQuiet =
    state.phase === "set-up" ||
    state.phase === "ready" ||
    (state.phase === "working" && task?.holdS !== null);
  const wrap = wrapNow(worn, state.phase, clock.restS);
  const word = bandOf(state, clock.restS);
  const action = spaceDoes(state, clock.restS, isReady);
  const space = () => {
    if (state.phase === "set-up") setUpDone();
    else if (state.phase === "ready") clock.start();
    else if (state.phase === "working") clock.end();
  };
  const offer = offerFor(state);
  const take = () => {
    if (offer)
      happen({
        type: "take",
        lineId: offer.lineId,
        loadKg: offer.loadKg,
        reps: offer.reps,
        at: Date.now(),
      });
  };
  const openStop = () => {
    stopAt.current = Date.now();
    stopDialog.current?.showModal();
  };
  const openSwap = ({ lineId, name }: KeptLine) => setSwapOf({ lineId, name });
  // each line has a dialog of its own: it is shown once it is there
  useEffect(() => {
    if (swapOf) swapDialog.current?.showModal();
  }, [swapOf]);
  const pose = line && task && (
    <div className="max-lg:hidden">
      <LinePose line={line} body={props.body} machines={props.machines} loadKg={task.loadKg} />
    </div>
  );
  // in the rest the drawing makes room for what is asked once
  const feel = state.phase === "rating" || state.phase === "working" ? null : feelAsked(state, props.feels);
  const beside = feel ? <FeelKeys asked={feel} happen={happen} /> : pose;
  const endedLine = state.lines.find((l) => state.ended[l.lineId]);
  const isClosing = state.phase === "closing" || state.phase === "finished";
  return (
    <main
      data-theme="gym"
      className="flex h-dvh flex-col overflow-y-auto bg-base-200 text-base-content"
      // what was pressed by hand does not keep the keys: the next space bar is the screen's
      onClickCapture={(e) => {
        const at = document.activeElement;
        if (e.detail > 0 && at instanceof HTMLButtonElement && !at.closest("dialog")) at.blur();
      }}
    >
      <StateBand
        state={word}
        where={isClosing ? props.sheet.name : whereWords(state, task, line, open)}
        saved={savedWords(outbox)}
      />
      <FloorTop client={client} painMax={painMax} {...(line ? { words: legWords(task, open) } : {})} />
      <Asked clientId={client.clientId} turn={askTurn} className="px-8 text-[17px]" />
      <Problem sentence={visit.notice ?? outbox.refusal} />
      {outbox.others.map((o) => (
        <p key={o.name} className="px-8 text-[17px]" role="status">
          {o.count} {o.count === 1 ? "entry" : "entries"} of {o.name} wait on this tablet until {o.name} signs
          in here again.
        </p>
      ))}
      {outbox.refusal && (
        <p className="px-8">
          <button type="button" className="btn border-rule bg-base-100" onClick={visit.startOver}>
            Go on with what the clinic has
          </button>
        </p>
      )}
      {isClosing ? (
        <Closing
          client={client}
          state={state}
          firstSide={open.firstSide}
          painMax={props.painMax}
          markers={props.markers}
          feel={feel}
          happen={happen}
          onFinish={happen}
          onUndo={visit.undo}
          onSwapEnded={state.stopped === null && endedLine ? () => openSwap(endedLine) : null}
        />
      ) : (
        line &&
        task && (
          <>
            <h2 className="px-4 pt-1 text-[22px] leading-tight short:text-[18px] lg:px-8 lg:text-[26px]">
              {line.name}{" "}
              <span className="font-sans text-[17px] font-normal lg:text-[20px]">
                {line.machineName ?? "no machine"}
                {line.isHelp && <b> · help: more is easier</b>}
              </span>
            </h2>
            {line.scheme && (
              <p className="px-4 text-[17px] leading-tight lg:px-8 lg:text-[19px]">
                <b>{SCHEME_NAMES[line.kind]}</b>: {wayWords(line.scheme)}
                {line.sets[task.set]?.last && (
                  <b className="ml-3 border-l-4 border-mark pl-2 whitespace-nowrap">this is the last set</b>
                )}
                {wrap && <b className="ml-3 border-l-4 border-mark pl-2 whitespace-nowrap">{WRAP[wrap]}</b>}
              </p>
            )}
            <div className="grid flex-none grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] gap-x-4 px-4 pt-2 lg:min-h-0 lg:flex-1 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,0.9fr)_minmax(0,1fr)] lg:gap-x-6 lg:overflow-y-auto lg:px-8">
              <div>
                {endedLine && endedLine.lineId !== line.lineId && state.phase === "set-up" && (
                  <p className="mt-1 border-l-4 border-mark pl-3 text-[17px]">
                    {endedLine.name} ended: <Said>{fromKept(state.ended[endedLine.lineId] ?? "")}</Said>.{" "}
                    <button type="button" className="underline" onClick={() => openSwap(endedLine)}>
                      Swap it for today
                    </button>
                  </p>
                )}
                <div className="mt-2">
                  <WhatToSet line={line} task={task as LiveTask} massUnit={props.massUnit} />
                </div>
                {(state.phase === "set-up" || state.phase === "pain-before" || state.phase === "ready") && (
                  <AidPick
                    aid={aidNow(state, line.lineId)}
                    onAid={(aid) => happen({ type: "aid", lineId: line.lineId, ...aid, at: Date.now() })}
                  />
                )}
                {state.phase === "rating" && <ElsewhereKeys line={line} elsewhere={elsewhere} />}
              </div>
              <div
                className={`order-3 col-span-2 max-lg:pt-2 lg:order-2 lg:col-span-1 ${state.phase === "rating" ? "" : "lg:self-center"}`}
              >
                {state.phase === "set-up" && state.done.length === 0 && props.markers.length > 0 && (
                  <div className="mb-3 grid gap-2">
                    <MarkerKeys
                      markers={props.markers}
                      scores={state.markers}
                      when="before"
                      happen={happen}
                    />
                  </div>
                )}
                {state.phase === "set-up" ? (
                  <SetUpCard
                    line={line}
                    checks={ownLines(line.checks, new Set(props.conditionIds))}
                    worn={worn}
                    painful={isPlanned(open, line) ? (props.painful[line.lineId] ?? null) : null}
                    pins={pins}
                    onPins={(isIn) => setPinsOf(isIn ? line.lineId : null)}
                  />
                ) : state.phase === "rating" ? (
                  <>
                    {line.faults?.length ? <SeenChips watched={line.faults} seen={seen} /> : null}
                    <ElsewherePick line={line} elsewhere={elsewhere} />
                  </>
                ) : (
                  beside
                )}
              </div>
              <div className="order-2 lg:order-3">
                <Stage state={state} line={line} task={task} clock={clock} usesCell={usesCell} />
                {state.phase === "set-up" && beside}
              </div>
            </div>
            <div className="px-4 pb-1 max-lg:mt-auto lg:px-8">
              <SetBars state={state} lineId={line.lineId} firstSide={open.firstSide} />
            </div>
            {/* under the thumb, whatever is scrolled */}
            <div className="max-lg:sticky max-lg:bottom-0 max-lg:z-10 max-lg:border-t max-lg:border-rule max-lg:bg-base-200 max-lg:pt-2">
              <div className="grid grid-cols-1 items-end gap-x-6 gap-y-2 px-4 pb-2 min-[560px]:grid-cols-[minmax(0,1fr)_140px] lg:grid-cols-[minmax(0,1fr)_220px] lg:px-8">
                <Entry
                  isQuiet={isQuiet}
                  state={state}
                  painMax={painMax}
                  isEarly={clock.isEarly}
                  asked={asked}
                  pain={pain}
                  left={left}
                  reps={rating.didReps}
                  onPain={score}
                  onLeft={rating.answerLeft}
                  onReps={rating.setReps}
                  onWhy={clock.sayWhy}
                />
                <button
                  type="button"
                  onClick={openStop}
                  className="min-h-[52px] cursor-pointer rounded-lg bg-[#b3301f] text-white min-[560px]:col-start-2 min-[560px]:min-h-[88px] short:min-h-[44px]"
                >
                  <span className="display text-[26px] leading-none min-[560px]:block min-[560px]:text-[34px]">
                    STOP
                  </span>{" "}
                  <span className="text-[17px] short:hidden">and say why</span>
                </button>
              </div>
              <LineActions
                action={clock.isEarly ? null : action}
                missing={missingWords(state, { isReady, isEarly: clock.isEarly, pain, left, asked })}
                line={line}
                massUnit={props.massUnit}
                task={task}
                state={state}
                offer={offer}
                onTake={take}
                beats={beats}
                usesCell={usesCell}
                usesSensor={usesSensor}
                canUndo={visit.canUndo}
                onSpace={space}
                onUndo={visit.undo}
                onSwap={() => openSwap(line)}
                onAsk={() => askDialog.current?.showModal()}
                onBeats={() => setBeats((on) => !on)}
                onCell={() => setUsesCell((on) => !on)}
                onSensor={() => setUsesSensor((on) => !on)}
                happen={happen}
              />
            </div>
            <div className="px-4 pb-3 [@media(hover:none)]:hidden max-lg:hidden lg:px-8">
              <KeysHelp
                deeds={[
                  { key: " ", label: "space", words: action ?? "nothing now", run: space },
                  ...scoreDeeds(
                    !rating.asksLeft ? "joint pain" : asked.felt ? "felt effort" : "more were possible",
                    scoreByKey,
                  ),
                  ...(offer ? [{ key: "o", words: "take the next set as offered", run: take }] : []),
                  { key: "u", words: "undo the last entry", run: visit.undo },
                  { key: "x", words: "stop the visit and say why", run: openStop },
                  { key: "+", words: "count a repetition", run: clock.tap },
                  {
                    key: "l",
                    words: usesCell ? "without load cell" : "with load cell",
                    run: () => setUsesCell((on) => !on),
                  },
                  { key: "m", words: beats ? "beats off" : "beats on", run: () => setBeats((on) => !on) },
                ]}
              />
            </div>
          </>
        )
      )}
      <StopDialog
        ref={stopDialog}
        onStop={(reason, signs) => {
          happen({ type: "stop", reason, at: stopAt.current || Date.now() });
          if (signs.length)
            outbox.post(`/api/clients/${client.clientId}/rechecks`, {
              id: crypto.randomUUID(),
              isClear: false,
              signs,
            });
        }}
      />
      <AskDialog
        ref={askDialog}
        clientId={client.clientId}
        about={{
          sheetId: props.sheet.sheetId,
          lineId: line?.lineId ?? null,
          name: line?.name ?? null,
        }}
        onAsked={() => setAskTurn((n) => n + 1)}
      />
      <SwapDialog
        key={swapOf?.lineId ?? "none"}
        ref={swapDialog}
        visitId={open.id}
        line={swapOf}
        onSwap={(to, why) => happen({ type: "swap", lineId: to.lineId, to, why, at: Date.now() })}
      />
    </main>
  );
}

/** What is run is what was planned, not what stands in for it today. */
const isPlanned = (open: OpenVisit, line: KeptLine): boolean =>
  open.lines.some((l) => l.lineId === line.lineId && l.exerciseId === line.exerciseId);

function whereWords(
  s: VisitState,
  task: { lineId: string; set: number; leg: string } | null,
  line: KeptLine | null,
  open: OpenVisit,
): string {
  if (!task || !line) return "";
  const own = s.tasks.filter((t) => t.lineId === line.lineId && t.status !== "dropped");
  const at = own.filter((t) => t.status === "done").length + 1;
  const place = s.lines.findIndex((l) => l.lineId === line.lineId) + 1;
  return `${line.kind === "holds" ? "hold" : "set"} ${Math.min(at, own.length)} of ${own.length} · line ${place} of ${open.lines.length}`;
}

function legWords(task: { leg: "both" | "first" | "second" } | null, open: OpenVisit): string {
  if (!task) return "";
  return task.leg === "both" ? "both legs" : `${sideOf(task.leg, open.firstSide)} leg`;
}
