"use client";
import { type RefObject, useRef, useState } from "react";
import type { DraftWish } from "@/core/drafts/draftSession";
import { HOME_THING_IDS, type HomeThing } from "@/core/rules/exerciseNeeds";
import { GROUP_IDS, type RangeRow } from "@/core/selection/rank/rangeSheet";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { Dialog } from "@/ui/Dialog";
import { Link } from "@/ui/Link";
import { Palette } from "@/ui/palette/Palette";
import { HOME_THING_WORDS } from "@/words/en/facets";
import { GROUPS } from "@/words/en/plan/choose";

export const MINUTES = [15, 30, 45, 60] as const;
const PLACES: Record<DraftWish["place"], string> = { gym: "the gym", other_gym: "another gym", home: "home" };
export const PLACE_IDS = Object.keys(PLACES) as DraftWish["place"][];
export type Wish = Omit<DraftWish, "minutes"> & { minutes: (typeof MINUTES)[number] };
const QUIET_SELECT = "cursor-pointer border-b border-rule bg-transparent font-bold";

/** Somewhere to start from: a kept template or an earlier session. */
export interface Start {
  id: string;
  name: string;
  items: ScoreLine[];
}

/** What a session is drafted for, from what, and what is added to it. */
export function DraftBar({
  wish,
  templates,
  earlier,
  rows,
  adder,
  starter,
  clientId,
  unconfirmed,
  homeDialog,
  onWish,
  onDraft,
  onStart,
  onAdd,
  onHome,
}: {
  wish: Wish;
  templates: readonly Start[];
  earlier: readonly Start[];
  rows: readonly RangeRow[];
  adder: RefObject<HTMLDialogElement | null>;
  starter: RefObject<HTMLDialogElement | null>;
  clientId: string;
  /** the phase that drafts are for, where nobody has confirmed it */
  unconfirmed: string | null;
  homeDialog: RefObject<HTMLDialogElement | null>;
  onWish: (wish: Wish) => void;
  onDraft: () => void;
  onStart: (start: Start) => void;
  onAdd: (row: RangeRow) => void;
  onHome: (have: ReadonlySet<HomeThing>) => void;
}) {
  const starts = [...templates, ...earlier];
  return (
    <div className="small mt-1 flex flex-wrap items-center gap-x-2 gap-y-1">
      {unconfirmed && (
        <p className="w-full border-l-4 border-mark pl-3">
          Nobody has confirmed “{unconfirmed}”, which a draft is made for.{" "}
          <Link href={`/clients/${clientId}/limits`} className="underline">
            Confirm the phase first
          </Link>
        </p>
      )}
      <label className="flex items-baseline gap-1">
        <span className="sr-only">draft for</span>
        <select
          className={QUIET_SELECT}
          value={wish.place}
          onChange={(e) => onWish({ ...wish, place: PLACE_IDS.find((p) => p === e.target.value) ?? "gym" })}
        >
          {PLACE_IDS.map((p) => (
            <option key={p} value={p}>
              {PLACES[p]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-baseline gap-1">
        <span className="sr-only">Minutes there are</span>
        <select
          className={QUIET_SELECT}
          value={String(wish.minutes)}
          onChange={(e) =>
            onWish({ ...wish, minutes: MINUTES.find((m) => m === Number(e.target.value)) ?? 45 })
          }
        >
          {MINUTES.map((m) => (
            <option key={m} value={m}>
              {m} min
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-line btn-sm px-2" onClick={onDraft}>
        Draft from the rules <kbd>T</kbd>
      </button>
      {starts.length > 0 && (
        <button
          type="button"
          className="btn btn-line btn-sm px-2"
          onClick={() => starter.current?.showModal()}
        >
          Start from <kbd>O</kbd>
        </button>
      )}
      <button
        type="button"
        className="btn btn-line btn-sm px-2"
        onClick={() => homeDialog.current?.showModal()}
      >
        Home version <kbd>H</kbd>
      </button>
      <button type="button" className="btn btn-line btn-sm px-2" onClick={() => adder.current?.showModal()}>
        Add exercise <kbd>A</kbd>
      </button>
      <Palette
        ref={adder}
        label="Add an exercise that fits"
        placeholder="words of its name"
        groups={GROUP_IDS.map((group) => ({
          heading: GROUPS[group],
          entries: rows
            .filter((r) => r.group === group)
            .map((r) => ({
              id: r.e.id,
              words: r.e.name,
              hint: r.isAtHand ? (r.computed?.chosen.machine.name ?? "") : "not in this gym",
            })),
        }))}
        onPick={(id) => {
          const row = rows.find((r) => r.e.id === id);
          if (row) onAdd(row);
        }}
      />
      <Palette
        ref={starter}
        label="Start from a template or an earlier session"
        placeholder="name of a template, or a version"
        groups={[
          { heading: "templates", entries: templates.map((t) => ({ id: t.id, words: t.name })) },
          { heading: "earlier sessions", entries: earlier.map((t) => ({ id: t.id, words: t.name })) },
        ].filter((g) => g.entries.length > 0)}
        onPick={(id) => {
          const start = starts.find((s) => s.id === id);
          if (start) onStart(start);
        }}
      />
      <HomeDialog ref={homeDialog} onHome={onHome} />
    </div>
  );
}

/** What people have at home, ticked; the session follows. */
function HomeDialog({
  ref,
  onHome,
}: {
  ref: RefObject<HTMLDialogElement | null>;
  onHome: (have: ReadonlySet<HomeThing>) => void;
}) {
  const [have, setHave] = useState<ReadonlySet<HomeThing>>(new Set(["chair", "backpack", "towel", "step"]));
  const form = useRef<HTMLFormElement>(null);
  return (
    <Dialog ref={ref} label="Home version" size="narrow">
      <h2 className="text-lg">Home version</h2>
      <p className="mt-1">
        Each line as it is where that works at home, else what takes its place. Undo brings the session back.
      </p>
      <form
        ref={form}
        method="dialog"
        onSubmit={() => onHome(have)}
        className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2"
      >
        {HOME_THING_IDS.map((thing) => (
          <label key={thing} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={have.has(thing)}
              onChange={(e) => {
                const next = new Set(have);
                if (e.target.checked) next.add(thing);
                else next.delete(thing);
                setHave(next);
              }}
            />
            {HOME_THING_WORDS[thing]}
          </label>
        ))}
        <span className="col-span-2 mt-2 flex gap-2">
          <button type="submit" className="btn btn-primary btn-sm">
            Make the home version
          </button>
          <button type="button" className="btn btn-line btn-sm px-2" onClick={() => ref.current?.close()}>
            Close
          </button>
        </span>
      </form>
    </Dialog>
  );
}
