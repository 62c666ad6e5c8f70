"use client";
import { useRouter } from "next/navigation";
import { useCallback, useRef } from "react";
import { READY_QUESTIONS } from "@/core/selection/rank/questions";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import type { ReferenceTask } from "@/core/selection/tissue/tissues";
import type { MassUnit } from "@/core/units/mass";
import type { ChooseFacts } from "@/server/facts/choose";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { DEED_SENTENCES } from "@/words/en/access";
import { handOverQuery } from "../../../_sheet/handedOver";
import { Barred } from "./Barred";
import { ComparePanel } from "./ComparePanel";
import { FindSetUp } from "./FindSetUp";
import { Picks } from "./Picks";
import { SaveCard } from "./SaveCard";
import { SetUpPane } from "./SetUpPane";
import { Sheet } from "./Sheet";
import { SheetControls } from "./SheetControls";
import { useChoose } from "./useChoose";

export interface ChooseDeskProps {
  clientId: string;
  facts: ChooseFacts;
  chair: ReferenceTask;
  cards: { exerciseId: string; version: number }[];
  mayWriteCard: boolean;
  mayPlan: boolean;
  massUnit: MassUnit;
}

const MOST_COMPARED = 3;

/** The range sheet at the left, the picked set-up with its pose at the right. */
export function ChooseDesk({
  clientId,
  facts,
  chair,
  cards,
  mayWriteCard,
  mayPlan,
  massUnit,
}: ChooseDeskProps) {
  // a therapist's set-up card unlocks an exercise for this client
  const isUnlocked = useCallback(
    (id: string) => mayWriteCard || cards.some((c) => c.exerciseId === id),
    [mayWriteCard, cards],
  );
  const router = useRouter();
  const choose = useChoose(facts, chair, isUnlocked);
  const { state, setState, rows, picked, sheet } = choose;
  const find = useRef<HTMLDialogElement>(null);
  const card = useRef<HTMLDialogElement>(null);
  const barred = picked && "barred" in picked ? picked.barred : null;
  const row: RangeRow | null = picked && "barred" in picked ? picked.row : picked;
  const move = (by: number) => {
    const at = rows.findIndex((r) => r.e.id === row?.e.id);
    const next = rows[Math.min(rows.length - 1, Math.max(0, at + by))];
    if (!next) return;
    choose.pick(next.e.id);
    document.getElementById(`row-${next.e.id}`)?.scrollIntoView({ block: "nearest" });
  };
  const toggleCompare = () => {
    if (!row?.computed) return;
    const id = row.e.id;
    const without = state.compare.filter((x) => x !== id);
    const next = without.length < state.compare.length ? without : [...without, id].slice(-MOST_COMPARED);
    setState({ compare: next.length ? next : null, ask: null });
  };
  const mayFind = Boolean(row?.computed?.chosen.family.settings.length);
  const version = cards.find((c) => c.exerciseId === row?.e.id)?.version ?? 0;
  const mayUse = mayPlan && row !== null && barred === null && !row.computed?.tooHeavyBecause;
  const handOver = (r: RangeRow) =>
    router.push(
      `/clients/${clientId}/dose?${handOverQuery({
        exerciseId: r.e.id,
        machineId: r.computed?.chosen.id ?? null,
        settings: r.computed?.settings ?? null,
      })}`,
    );
  const use = () => {
    if (row && mayUse) handOver(row);
  };
  const question = READY_QUESTIONS.find((q) => q.id === state.ask) ?? null;
  // whoever follows a link to a row, a question or a comparison wants the sheet
  const isPicks =
    state.view !== "sheet" &&
    (state.view === "picks" || !(state.row || state.ask || state.compare.length > 0));
  if (isPicks)
    return (
      <Picks
        choose={choose}
        facts={facts}
        massUnit={massUnit}
        whyNot={mayPlan ? null : DEED_SENTENCES["plan.write"]}
        onUse={handOver}
      />
    );
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <div className="min-w-0 px-4 pb-4">
        <Sheet
          choose={choose}
          head={<SheetControls choose={choose} facts={facts} massUnit={massUnit} />}
          panel={
            (state.compare.length > 1 || question) && (
              <ComparePanel choose={choose} chair={chair} question={question} massUnit={massUnit} />
            )
          }
        />
        <Barred rows={sheet.barred} />
        <div className="mt-3">
          <KeysHelp
            deeds={[
              { key: "j", words: "next exercise", run: () => move(1) },
              { key: "k", words: "previous exercise", run: () => move(-1) },
              { key: "f", words: "find a set-up", run: () => mayFind && find.current?.showModal() },
              { key: "c", words: "compare this one, or stop comparing it", run: toggleCompare },
              {
                key: "s",
                words: "save the set-up card",
                run: () => row?.computed && mayWriteCard && card.current?.showModal(),
              },
              { key: "u", words: "use this one: put it on the sheet", run: use },
              { key: "r", words: "back to the suggested settings", run: choose.reset },
              { key: "a", words: "answers first", run: () => void setState({ view: "picks" }) },
            ]}
          />
        </div>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-3" aria-label="The picked exercise">
        <div className="sticky top-3">
          {row ? (
            <SetUpPane
              key={row.e.id}
              clientId={clientId}
              choose={choose}
              facts={facts}
              chair={chair}
              row={row}
              barred={barred}
              massUnit={massUnit}
              isCompared={state.compare.includes(row.e.id)}
              cardVersion={version}
              mayWriteCard={mayWriteCard}
              onCompare={toggleCompare}
              onFind={() => find.current?.showModal()}
              onUse={mayUse ? use : null}
              onCard={() => card.current?.showModal()}
            />
          ) : (
            <p>
              Nothing fits inside the limits and filters of today. Take a filter off; the reasons stand at the
              left.
            </p>
          )}
        </div>
      </aside>
      {row?.computed && (
        <>
          <FindSetUp key={`find-${row.e.id}`} ref={find} choose={choose} row={row} massUnit={massUnit} />
          <SaveCard
            key={`card-${row.e.id}`}
            ref={card}
            clientId={clientId}
            row={row}
            setUp={row.computed}
            version={version}
            massUnit={massUnit}
          />
        </>
      )}
    </main>
  );
}
