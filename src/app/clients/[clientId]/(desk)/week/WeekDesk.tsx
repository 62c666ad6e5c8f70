"use client";
import { useRouter } from "next/navigation";
import { startTransition, useMemo, useRef, useState } from "react";
import type { z } from "zod";
import { type BlockQuestion, endsOn, type PlannedDay } from "@/core/schedule/block/block";
import { blockKept, type SheetWish } from "@/core/schedule/block/blockInput";
import { checkBlock, loadsByWeek } from "@/core/schedule/block/checkBlock";
import type { Corridor } from "@/core/schedule/corridor";
import { paceComputed } from "@/core/schedule/paceWorking";
import type { SorePart } from "@/core/sheet/effect/tissueDose";
import type { ClientEpisode } from "@/server/client/clients";
import type { DaysOff } from "@/server/decide/returns";
import type { Outlook, WeekMark } from "@/server/week/outlook";
import type { PlannableSheet } from "@/server/week/weekFacts";
import type { SetAim } from "@/server/week/weekSets";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Problem } from "@/ui/form/Problem";
import { Term } from "@/ui/help/Term";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { Link } from "@/ui/Link";
import { send } from "@/ui/send";
import { useSendOnce } from "@/ui/useSendOnce";
import { Opens } from "@/ui/working/Figure";
import { DaysOffBox } from "./DaysOffBox";
import { RoomOfJoint } from "./RoomOfJoint";
import { SetWeeks } from "./SetWeeks";
import { useBlock } from "./useBlock";
import { WeekBars } from "./WeekBars";
import { WeekGrid } from "./WeekGrid";
import { WeekRules } from "./WeekRules";
import { Wishes } from "./Wishes";
import { outlookWords, reachedWords, wishWords } from "./weekWords";

/** A week not kept yet: all that is asked of it, and the days that were put by hand. */
const KEPT = blockKept.omit({ id: true, replaces: true });

/** Which days: sheets on free days by the rules, moved by hand where somebody knows better, kept for all to see. */
export function WeekDesk(props: {
  client: ClientEpisode;
  today: string;
  block: {
    id: string;
    days: PlannedDay[];
    wishes: Record<string, SheetWish>;
    by: string;
    overReason: string | null;
  } | null;
  question: BlockQuestion;
  sheets: readonly PlannableSheet[];
  aim: SetAim | null;
  room: Corridor;
  /** what the goal asks took at most four fifths of the leg for four weeks */
  isReached: boolean;
  sore: SorePart;
  marks: readonly WeekMark[];
  outlook: readonly Outlook[];
  daysOff: DaysOff | null;
  mayWrite: boolean;
  mayDecide: boolean;
  locale: string;
}) {
  const { client, sheets, block, mayWrite } = props;
  const { clientId } = client;
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [wishes, setWishes] = useState<Record<string, SheetWish>>(block?.wishes ?? {});
  const [over, setOver] = useState<{ day: PlannedDay; on: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [saved, setSaved] = useState(false);
  const [overReason, setOverReason] = useState(block?.overReason ?? "");
  const file = useRef<HTMLInputElement>(null);
  const plan = useBlock(props.question, block?.days ?? null);
  const { question: q } = plan;
  // while a day is held over another one, rules and work are those of the calendar as it would be
  const shown = useMemo(
    () =>
      over
        ? plan.days.map((d) =>
            d.sheetId === over.day.sheetId && d.on === over.day.on ? { ...d, on: over.on } : d,
          )
        : plan.days,
    [over, plan.days],
  );
  const broken = useMemo(() => (over ? checkBlock(q, shown) : plan.broken), [over, q, shown, plan.broken]);
  const loads = useMemo(() => (over ? loadsByWeek(q, shown) : plan.loads), [over, q, shown, plan.loads]);

  const bars = broken.filter((b) => !b.isCaution);
  const needsReason = broken.length > bars.length;
  const mayKeep = bars.length === 0 && plan.isLaid && (!needsReason || overReason.trim().length > 0);
  const typed: z.infer<typeof KEPT> = {
    ...{ startsOn: q.startsOn, buildWeeks: q.buildWeeks, keepWeeks: q.keepWeeks, wishes },
    ...{ minutes: [...q.minutes], gym: [...q.gym], away: [...q.away], days: [...plan.pins] },
    overReason: null,
  };
  const [base, setBase] = useState(typed);
  const takeUp = (t: typeof typed) => {
    setWishes(t.wishes);
    setSaved(false);
    plan.take(
      {
        ...{ buildWeeks: t.buildWeeks, keepWeeks: t.keepWeeks, minutes: t.minutes, gym: t.gym, away: t.away },
        sheets: q.sheets.map((s) => ({ ...s, ...timesOf(t.wishes[s.id]) })),
      },
      // what lies behind by now, or was of a sheet that is gone, is not put anywhere
      t.days.filter((d) => d.on >= props.today && sheets.some((s) => s.id === d.sheetId)),
    );
  };
  const ask = (part: Partial<BlockQuestion>) => {
    setSaved(false);
    plan.ask(part);
  };
  const onWish = (sheetId: string, part: Partial<SheetWish>) => {
    const sheet = sheets.find((s) => s.id === sheetId);
    if (!sheet) return;
    const now = { times: sheet.times, keepTimes: sheet.keepTimes, at: null, ...wishes[sheetId], ...part };
    setWishes({ ...wishes, [sheetId]: now });
    if (part.at !== undefined) return setSaved(false);
    ask({
      sheets: q.sheets.map((s) =>
        s.id === sheetId ? { ...s, times: now.times, keepTimes: now.keepTimes } : s,
      ),
    });
  };
  const swapAt = <T,>(all: readonly T[], at: number, value: T): T[] =>
    all.map((x, i) => (i === at ? value : x));
  const keep = async () => {
    // while days are laid anew there is nothing to keep yet
    if (!mayWrite || !mayKeep) return;
    setProblem(null);
    const sent = await sendOnce(`/api/clients/${clientId}/blocks`, (id) => ({
      id,
      startsOn: q.startsOn,
      buildWeeks: q.buildWeeks,
      keepWeeks: q.keepWeeks,
      wishes: Object.fromEntries(
        sheets.map((s) => [s.id, wishes[s.id] ?? { times: s.times, keepTimes: s.keepTimes, at: null }]),
      ),
      minutes: q.minutes,
      gym: q.gym,
      away: q.away,
      days: plan.days.filter((d) => d.on >= props.today),
      overReason: needsReason ? overReason.trim() : null,
      replaces: props.block?.id ?? null,
    }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was kept.");
    setSaved(true);
    setBase(typed);
    router.refresh();
  };
  const readCalendar = async (chosen: File) => {
    const sent = await send<string[]>(`/api/clients/${clientId}/busy-days`, {
      file: await chosen.text(),
      from: props.today,
      until: endsOn(q),
    });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "The calendar was not read.");
    setProblem(null);
    ask({ away: [...new Set([...q.away, ...sent.result])].sort() });
  };
  if (sheets.length === 0)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">No sheet to put on days yet</h1>
        <p className="mt-2 max-w-[60ch]">A week is made of sheets: plan one in Dose first.</p>
        <Link href={`/clients/${clientId}/dose`} className="btn btn-primary mt-4">
          To Dose
        </Link>
      </main>
    );
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_280px] xl:grid-cols-[minmax(0,1fr)_372px] print:block">
      <div className="min-w-0 px-4 py-3">
        <h1 className="text-[19px]">
          Which days{" "}
          <span className="quiet text-[15px] font-normal">
            a <Term id="block">block</Term>: {q.buildWeeks > 0 && `${q.buildWeeks} weeks to build, `}
            {q.keepWeeks} to keep
            {mayWrite && "; drag, or arrows"}
          </span>
        </h1>
        {mayWrite && (
          <KeptDraft
            place={`week ${client.episodeId}`}
            shape={KEPT}
            draft={typed}
            isChanged={JSON.stringify(typed) !== JSON.stringify(base)}
            what="these days"
            onTake={takeUp}
          />
        )}
        {props.daysOff && (
          <div className="my-2">
            <DaysOffBox clientId={clientId} off={props.daysOff} mayDecide={props.mayDecide} />
          </div>
        )}
        {mayWrite ? (
          <div className="my-2 print:hidden">
            <Wishes
              sheets={sheets}
              wishes={wishes}
              minutes={q.minutes}
              gym={q.gym}
              buildWeeks={q.buildWeeks}
              keepWeeks={q.keepWeeks}
              onWish={onWish}
              onMinutes={(d, m) => ask({ minutes: swapAt(q.minutes, d, m) })}
              onGym={(d, on) => ask({ gym: swapAt(q.gym, d, on) })}
              onWeeks={ask}
            />
          </div>
        ) : (
          <p className="my-2">{wishWords(sheets, wishes, q)}</p>
        )}
        <WeekGrid
          question={q}
          sheets={sheets}
          days={plan.days}
          marks={props.marks}
          broken={broken}
          today={props.today}
          locale={props.locale}
          mayWrite={mayWrite}
          onMove={(day, on) => {
            if (on < props.today || on > endsOn(q)) return;
            setSaved(false);
            plan.move(day, on);
          }}
          onOver={(day, on) => startTransition(() => setOver(day && on ? { day, on } : null))}
          onLetGo={plan.letGo}
          onShorten={plan.shorten}
          onAway={(on) =>
            ask({ away: q.away.includes(on) ? q.away.filter((d) => d !== on) : [...q.away, on].sort() })
          }
        />
        <p className="small quiet mt-1">
          Hatched: not free or past. Filled: with staff. Outlined: at home. Disc: holds. ½: short form. •: put
          there by hand. A day's number marks it as away.
        </p>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-3 print:hidden">
        <WeekRules broken={broken} plan={plan} sheets={sheets} />
        <SetWeeks done={q.weeksDone} loads={loads} aim={props.aim} />
        <RoomOfJoint sheets={sheets} room={props.room} sore={props.sore} />
        <WeekBars done={q.weeksDone} planned={loads} />
        {(props.outlook.length > 0 || props.isReached) && (
          <section className="mt-3">
            <h2 className="text-[15px]">The goal</h2>
            {props.isReached && <p className="small mt-1">{reachedWords(q)}</p>}
            {props.outlook.map((o) => (
              <div key={o.name} className="small mt-1">
                {o.name}, {o.goal}:{" "}
                {o.range && o.stepsLeft > 0 ? (
                  <Opens label={`weeks to ${o.goal}`} computed={paceComputed(o.range, o)}>
                    <b>{outlookWords(o)}</b>
                  </Opens>
                ) : (
                  <b>{outlookWords(o)}</b>
                )}
              </div>
            ))}
          </section>
        )}
        <div className="mt-4 grid gap-2">
          <Problem sentence={problem} />
          {mayWrite && needsReason && (
            <label className="small quiet">
              more than the rules allow, because
              <input
                className="input input-sm block w-full text-base-content"
                name="overReason"
                maxLength={300}
                value={overReason}
                onChange={(e) => setOverReason(e.target.value)}
              />
            </label>
          )}
          {mayWrite ? (
            <p className="flex flex-wrap gap-2">
              <button type="button" className="btn btn-primary" onClick={keep} disabled={!mayKeep}>
                Keep these days <kbd>S</kbd>
              </button>
              <button type="button" className="btn btn-line" onClick={() => file.current?.click()}>
                Read a calendar
              </button>
              <input
                ref={file}
                type="file"
                accept=".ics,text/calendar"
                className="sr-only"
                aria-label="Calendar file of the client"
                tabIndex={-1}
                onChange={(e) => {
                  const chosen = e.target.files?.[0];
                  if (chosen) void readCalendar(chosen);
                  e.target.value = "";
                }}
              />
            </p>
          ) : null}
          <p className="flex flex-wrap gap-2">
            {block && (
              <a className="btn btn-sm btn-line" href={`/api/clients/${clientId}/calendar`} download>
                Calendar file
              </a>
            )}
            <button type="button" className="btn btn-sm btn-line" onClick={() => window.print()}>
              Print
            </button>
          </p>
          <p className="small quiet" aria-live="polite">
            {saved ? "Kept." : block ? `Kept by ${block.by}.` : "Not kept yet: laid by the rules."}
          </p>
          <KeysHelp
            deeds={[
              { key: "s", words: "keep these days", run: keep },
              { key: "l", words: "lay the days anew", run: () => mayWrite && plan.again() },
            ]}
          />
        </div>
      </aside>
    </main>
  );
}

const timesOf = (w: SheetWish | undefined) => (w ? { times: w.times, keepTimes: w.keepTimes } : {});
