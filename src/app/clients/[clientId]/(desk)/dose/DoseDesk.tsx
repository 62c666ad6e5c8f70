"use client";
import {
  parseAsInteger,
  parseAsNumberLiteral,
  parseAsString,
  parseAsStringLiteral,
  useQueryStates,
} from "nuqs";
import { useCallback, useMemo, useRef, useState } from "react";
import { AskHere } from "@/app/clients/[clientId]/_ask/AskHere";
import type { DraftFacts } from "@/core/drafts/draftFacts";
import { draftSession } from "@/core/drafts/draftSession";
import type { HomeThing } from "@/core/rules/exerciseNeeds";
import type { Exercise } from "@/core/rules/exercises";
import type { PastLoad } from "@/core/schedule/kneecapWeek";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { directionOf } from "@/core/selection/setUp/loadContext";
import { asRamp } from "@/core/sheet/draft/asRamp";
import { homeVersion } from "@/core/sheet/draft/homeVersion";
import { lightStart } from "@/core/sheet/draft/lightStart";
import { shorterHolds } from "@/core/sheet/draft/shorterHolds";
import { factsAtHome } from "@/core/sheet/judge/atHome";
import type { JudgedLine } from "@/core/sheet/judge/judgeScore";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { nextMeansDown } from "@/core/sheet/load/nextMeans";
import type { Fix } from "@/core/sheet/order/sessionScore";
import type { MassUnit } from "@/core/units/mass";
import type { Said as SaidOf } from "@/core/units/said";
import type { ClientEpisode } from "@/server/client/clients";
import type { SheetFacts } from "@/server/facts/sheetFacts";
import type { SetAim, WeekAround } from "@/server/week/weekSets";
import { UnsavedBar } from "@/ui/form/UnsavedBar";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { FindDoseOf } from "./_line/FindDoseOf";
import { formsOf } from "./_line/forms";
import { HoldPicture } from "./_line/HoldPicture";
import { ItemEditor } from "./_line/ItemEditor";
import { LineCourse } from "./_line/LineCourse";
import type { HoldEffort } from "./_line/schemeDefaults";
import { usualLineOf } from "./_line/usualLineOf";
import { EmptySheet } from "./_sheet/EmptySheet";
import { RunThrough } from "./_sheet/RunThrough";
import { SheetGives } from "./_sheet/SheetGives";
import { SheetTotals } from "./_sheet/SheetTotals";
import { DraftBar, MINUTES, PLACE_IDS, type Start, type Wish } from "./DraftBar";
import { doseKeys } from "./doseKeys";
import { HomeLink } from "./HomeLink";
import { KeepTemplate } from "./KeepTemplate";
import { SaveBar } from "./SaveBar";
import { ScoreRail } from "./ScoreRail";
import { type SheetTab, SheetTabs } from "./SheetTabs";
import { type SavedSheet, savedWords } from "./savedSheet";
import { useHandedOver } from "./useHandedOver";
import { useJudged } from "./useJudged";
import { type Line, plainLines, useScore } from "./useScore";
import { useSheetSave } from "./useSheetSave";

const VIEW = {
  place: parseAsStringLiteral(PLACE_IDS).withDefault("gym"),
  minutes: parseAsNumberLiteral(MINUTES).withDefault(45),
  line: parseAsInteger.withDefault(1),
  add: parseAsString,
};

/** One page for all that is planned: the client's sheets, the lines of one under the ruler, the editor of one line. */
export function DoseDesk({
  client,
  sheets,
  saved,
  facts,
  draftFacts,
  massUnit,
  locale,
  barred,
  past,
  aim,
  around,
  templates,
  earlier,
  tests,
  effort,
  mayWrite,
  mayLink,
  mayAsk,
  mayConfirm,
}: {
  client: ClientEpisode;
  sheets: readonly SheetTab[];
  /** null: a new sheet */
  saved: SavedSheet | null;
  facts: SheetFacts;
  /** what a first draft is made from, or why none is made today */
  draftFacts: DraftFacts | string;
  massUnit: MassUnit;
  locale: string;
  barred: string | null;
  past: readonly PastLoad[];
  aim: SetAim | null;
  around: WeekAround;
  templates: readonly Start[];
  earlier: readonly Start[];
  /** strength tests of this side, as dots on the curve */
  tests: Record<"extension" | "flexion", readonly { deg: number; value: number; tone: "own" }[]>;
  effort: HoldEffort;
  mayWrite: boolean;
  mayLink: boolean;
  /** that something odd was really so */
  mayConfirm: boolean;
  /** a therapist for more than the sheet says; who plans has nobody to ask */
  mayAsk: boolean;
}) {
  const { clientId } = client;
  const score = useScore(saved?.items ?? []);
  const [{ line: pickedAt, add: handed, ...wish }, setView] = useQueryStates(VIEW);
  const [name, setName] = useState(saved?.name ?? (sheets.length === 0 ? "Gym" : ""));
  const [place, setPlace] = useState<SavedSheet["place"]>(saved?.place ?? "gym");
  const [justMade, setJustMade] = useState<string | null>(null);
  const [madeNotes, setMadeNotes] = useState<readonly SaidOf[]>([]);
  const adder = useRef<HTMLDialogElement>(null);
  const starter = useRef<HTMLDialogElement>(null);
  const homeDialog = useRef<HTMLDialogElement>(null);
  const keeper = useRef<HTMLDialogElement>(null);
  const finder = useRef<HTMLDialogElement>(null);
  const here = useMemo(() => (place === "home" ? factsAtHome(facts) : facts), [place, facts]);
  const j = useJudged(score.lines, here, past);
  const { context, rows, judged, totals } = j;
  const { limits } = context.sheet;
  const start = useMemo(
    () => ({ effort, limits, painfulArcs: facts.choose.painfulArcs ?? [] }),
    [effort, limits, facts.choose.painfulArcs],
  );
  // the picked line stands in the address by its place; one that was just made or moved is followed by its name
  const current = judged.find((x) => x.line.key === justMade) ?? judged[pickedAt - 1] ?? judged[0] ?? null;
  const line = current?.line ?? null;
  const setPicked = (key: string | null, at = score.lines.findIndex((l) => l.key === key)) => {
    setJustMade(key);
    if (at >= 0) setView({ line: at + 1 });
  };
  const setWish = (w: Wish) => setView(w);

  const step = (by: 1 | -1) => {
    const at = score.lines.findIndex((l) => l.key === line?.key);
    setPicked(score.lines[at + by]?.key ?? line?.key ?? null);
  };
  const startFrom = (items: readonly ScoreLine[]) => {
    setMadeNotes([]);
    score.replaceAll(items);
  };
  const draft = () => {
    if (!mayWrite) return;
    if (typeof draftFacts === "string") return setMadeNotes([draftFacts]);
    const made = draftSession(draftFacts, j.sheet, context, wish, facts.school);
    score.replaceAll(made.lines);
    setMadeNotes(made.notes);
  };
  const add = (row: RangeRow) =>
    setPicked(
      score.insert(
        shorterHolds(usualLineOf(row.e, row, { machineId: null, settings: null }, start), context),
      ),
      score.lines.length,
    );
  const home = (have: ReadonlySet<HomeThing>) => {
    const made = homeVersion(plainLines(score.lines), rows, context, have);
    score.replaceAll(made.lines);
    setMadeNotes(made.notes);
  };
  const fix = (f: Fix) => {
    if (f.kind === "warm_up") {
      const start = lightStart(
        rows.filter((r) => !score.lines.some((l) => l.exerciseId === r.e.id)),
        context,
      );
      if (start) setPicked(score.insert(start, 0), 0);
      return;
    }
    const target = score.lines.find((l) => l.key === f.itemId);
    if (!target) return;
    setPicked(target.key, f.kind === "move" ? f.to : undefined);
    if (f.kind === "move") score.place(target.key, f.to);
    if (f.kind === "ramp") score.change(target.key, { scheme: asRamp(target).scheme });
  };
  const share = () => {
    if (line && score.lines[0]?.key !== line.key) score.change(line.key, { sharesRests: !line.sharesRests });
  };
  const { isChanged, version, left, maySave, save, toFloor, problem } = useSheetSave({
    ...{ client, saved, score, name, place },
    isBarred: !mayWrite || j.isBarred || barred !== null,
  });
  const forget = useCallback(() => void setView({ add: null }), [setView]);
  useHandedOver({ handed, score, context, start, mayWrite, onTaken: forget, onMade: setJustMade });

  return (
    <main
      className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]"
      onKeyDown={(e) => {
        // out of a field, back to the keys of the screen
        if (e.key === "Escape" && e.target instanceof HTMLElement && !e.target.closest("dialog"))
          e.target.blur();
      }}
    >
      <div className="min-w-0 px-4 pb-4 pt-3">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="sr-only">Dose</h1>
          <SheetTabs
            clientId={clientId}
            sheets={sheets}
            current={saved?.sheetId ?? null}
            name={name}
            place={place}
            mayWrite={mayWrite}
            onName={setName}
            onPlace={setPlace}
          />
          {j.items.length > 0 && <SheetTotals totals={totals} />}
        </div>
        {left.found && (
          <UnsavedBar
            what="this sheet"
            since={
              left.found.baseVersion === version
                ? undefined
                : `they were made on version ${left.found.baseVersion}, version ${version} stands now.`
            }
            onTake={() => {
              if (!left.found) return;
              score.restore(left.found.items);
              setName(left.found.name);
              setPlace(left.found.place);
              left.settled();
            }}
            onDrop={left.drop}
          />
        )}
        <AskHere
          clientId={clientId}
          sheetId={saved?.sheetId ?? null}
          name={saved?.name ?? null}
          mayAsk={mayAsk}
        />
        {saved && saved.place !== "gym" && (
          <HomeLink clientId={clientId} sheetId={saved.sheetId} mayMake={mayLink} />
        )}
        {mayWrite && (
          <DraftBar
            wish={wish}
            templates={templates}
            earlier={earlier}
            rows={rows}
            adder={adder}
            starter={starter}
            homeDialog={homeDialog}
            onWish={setWish}
            clientId={client.clientId}
            unconfirmed={typeof draftFacts === "string" ? null : draftFacts.unconfirmed}
            onDraft={draft}
            onStart={(s) => startFrom(s.items)}
            onAdd={add}
            onHome={home}
          />
        )}
        {score.lines.length === 0 ? (
          <EmptySheet madeNotes={madeNotes} />
        ) : (
          <ScoreRail
            judged={judged}
            totals={
              new Map(
                j.items.map((item, i) => [item.id, totals.perItem[i] as (typeof totals.perItem)[number]]),
              )
            }
            ties={j.ties}
            predictions={j.predictions}
            notes={j.notes}
            onFix={mayWrite ? fix : null}
            painfulArcs={start.painfulArcs}
            picked={line?.key ?? null}
            mayMove={mayWrite}
            onPick={(key) => setPicked(key)}
            onPlace={score.place}
          />
        )}
        {current && (
          <HoldPicture
            key={current.line.key}
            judged={current}
            context={context}
            who={{ school: client.school, irritability: client.irritability }}
            tests={tests}
            onAngle={
              mayWrite
                ? (atDeg) =>
                    current.line.scheme.kind === "holds" &&
                    score.change(current.line.key, { scheme: { ...current.line.scheme, atDeg } })
                : null
            }
          />
        )}
        {current && (
          <LineCourse
            key={`course ${current.line.key}`}
            judged={current}
            context={context}
            who={{ school: client.school, irritability: client.irritability }}
            locale={locale}
            massUnit={massUnit}
            clientId={mayConfirm ? clientId : null}
          />
        )}
        {j.items.length > 0 && (
          <>
            <SheetGives
              totals={totals}
              kneecap={j.kneecap}
              notModelled={j.notModelled}
              madeNotes={madeNotes}
              aim={aim}
              around={around}
              holds={facts.school.holds}
            />
            <RunThrough
              steps={totals.steps}
              nameOf={(key) => judged.find((x) => x.line.key === key)?.exercise?.name ?? ""}
            />
          </>
        )}
        <div className="mt-3">
          <KeysHelp
            deeds={doseKeys({
              mayWrite,
              line,
              score,
              step,
              share,
              draft,
              save: () => void save(),
              show: { adder, starter, homeDialog, finder },
            })}
          />
        </div>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-3" aria-label="The picked line">
        {current?.exercise && (
          <ItemEditor
            key={current.line.key}
            judged={current as JudgedLine<Line> & { exercise: Exercise }}
            predictions={j.predictions.filter((p) => p.lineId === current.line.key)}
            personal={context.personal}
            start={start}
            side={facts.side}
            weaker={facts.weaker[directionOf(current.exercise)]}
            massUnit={massUnit}
            isFirst={judged[0] === current}
            forms={formsOf(current.exercise, rows)}
            lighter={nextMeansDown(current, rows, context)}
            disabled={!mayWrite}
            clientId={clientId}
            onChange={(part) => score.change(current.line.key, part)}
            onMove={(by) => score.move(current.line.key, by)}
            onRemove={() => score.remove(current.line.key)}
            onFind={() => finder.current?.showModal()}
          />
        )}
        {current && !current.exercise && (
          <p className="text-accent">This exercise is not in the library any more: take it out.</p>
        )}
        <SaveBar
          problem={problem ?? barred}
          words={savedWords(saved, isChanged)}
          score={score}
          mayWrite={mayWrite}
          maySave={maySave}
          mayRun={saved !== null && (maySave || (!isChanged && saved.isKept)) ? true : maySave}
          onFloor={toFloor}
          onSave={() => void save()}
          onKeep={() => keeper.current?.showModal()}
        />
      </aside>
      <KeepTemplate ref={keeper} lines={plainLines(score.lines)} templates={templates} />
      <FindDoseOf
        ref={finder}
        judged={current}
        context={context}
        who={{ school: client.school, irritability: client.irritability }}
        onScheme={(scheme) => current && score.change(current.line.key, { scheme })}
      />
    </main>
  );
}
