"use client";
import {
  parseAsArrayOf,
  parseAsBoolean,
  parseAsFloat,
  parseAsInteger,
  parseAsString,
  parseAsStringLiteral,
  useQueryStates,
} from "nuqs";
import { useMemo } from "react";
import { withOwn } from "@/core/rules/exercises";
import { type RangeRow, rangeSheet, rowOf, type SheetInput } from "@/core/selection/rank/rangeSheet";
import type { Basis } from "@/core/selection/setUp/row";
import { strengthAt } from "@/core/selection/setUp/strengthKnown";
import { shownTissue } from "@/core/selection/tissue/shownTissue";
import { type ReferenceTask, TISSUE_IDS, type Tissue } from "@/core/selection/tissue/tissues";
import type { Said } from "@/core/units/said";
import type { ChooseFacts } from "@/server/facts/choose";

const BASES = ["effort", "moment", "load"] as const;

const VIEWS = ["picks", "sheet"] as const;

const ADDRESS = {
  /** answers first, or everything under one ruler */
  view: parseAsStringLiteral(VIEWS),
  tissue: parseAsStringLiteral(TISSUE_IDS),
  /** a second one, drawn over the ridges */
  also: parseAsStringLiteral(TISSUE_IDS),
  angle: parseAsInteger.withDefault(60),
  row: parseAsString,
  /** settings of the picked row that somebody turned: footM~0.15,load~40 */
  set: parseAsArrayOf(parseAsString).withDefault([]),
  /** which of several machines that can do it */
  machine: parseAsString,
  basis: parseAsStringLiteral(BASES).withDefault("effort"),
  share: parseAsInteger.withDefault(50),
  kg: parseAsInteger.withDefault(20),
  cap: parseAsFloat,
  hand: parseAsBoolean.withDefault(true),
  supported: parseAsBoolean.withDefault(false),
  oneLeg: parseAsBoolean.withDefault(false),
  holds: parseAsBoolean.withDefault(false),
  noKneeling: parseAsBoolean.withDefault(false),
  compare: parseAsArrayOf(parseAsString).withDefault([]),
  ask: parseAsString,
};

/** Angle at which equal moment is set: where most knees are strongest. */
const MOMENT_DEG = 60;

type Turned = { settings: Record<string, number>; load?: number };

function readTurned(parts: readonly string[]): Turned {
  const found: Turned = { settings: {} };
  for (const part of parts) {
    const [key, text] = part.split("~");
    const value = Number(text);
    if (!key || !text || !Number.isFinite(value)) continue;
    if (key === "load") found.load = value;
    else found.settings[key] = value;
  }
  return found;
}

/** Everything that the Choose desk shows, from the facts and the address; and how it is changed. */
export function useChoose(
  facts: ChooseFacts,
  chair: ReferenceTask,
  /** exercises that need unlocking are shown to who may unlock them, and once a card stands */
  isUnlocked: (exerciseId: string) => boolean,
) {
  const [state, setState] = useQueryStates(ADDRESS, { history: "replace", scroll: false });
  const share = Math.min(100, Math.max(5, state.share)) / 100;
  const basis = useMemo((): Basis => {
    const strength = strengthAt(facts.strength, "extension", MOMENT_DEG)?.low ?? 0;
    if (state.basis === "moment") return { kind: "moment", nm: share * strength };
    if (state.basis === "load") return { kind: "load", kg: Math.min(500, Math.max(0, state.kg)) };
    return { kind: "effort", share };
  }, [facts, state.basis, state.kg, share]);
  const common = useMemo(
    (): Omit<SheetInput, "tissue"> => ({
      ...facts,
      exercises: withOwn(facts.ownExercises),
      chair,
      capTimes: state.cap,
      basis,
    }),
    [facts, chair, state.cap, basis],
  );
  const { input, sheet, flat } = useMemo(() => {
    const made = new Map<Tissue, Made>();
    const of = (tissue: Tissue): Made => {
      const input = { ...common, tissue };
      const known = made.get(tissue) ?? { input, sheet: rangeSheet(input) };
      made.set(tissue, known);
      return known;
    };
    if (state.tissue) return { ...of(state.tissue), flat: [] };
    const shown = shownTissue(facts.firstTissue, (t) => isFlat(of(t).sheet));
    const { input, sheet } = of(shown.tissue);
    const ranked = of(facts.firstTissue).sheet;
    return {
      input,
      sheet: shown.flat.length > 0 ? { ...sheet, rows: inOrderOf(ranked, sheet) } : sheet,
      flat: shown.flat,
    };
  }, [common, state.tissue, facts.firstTissue]);
  const { tissue } = input;
  const also = state.also === tissue ? null : state.also;
  const rows = useMemo(
    () =>
      sheet.rows.filter(
        (r) =>
          (!r.e.match.requires_unlock || isUnlocked(r.e.id)) &&
          (!state.hand || r.isAtHand) &&
          (!state.supported || r.e.back_support === "full") &&
          (!state.oneLeg || r.e.match.single_leg) &&
          (!state.holds || r.e.match.static_hold || r.e.isometric.possible) &&
          (!state.noKneeling || r.e.kneeling_contact === "none"),
      ),
    [sheet, isUnlocked, state.hand, state.supported, state.oneLeg, state.holds, state.noKneeling],
  );
  const pickedRow = rows.find((r) => r.e.id === state.row) ?? rows[0] ?? null;
  const turned = useMemo(() => readTurned(state.set), [state.set]);
  const isTurned = state.set.length > 0;
  // only the row that is turned is computed anew while something is dragged
  const picked = useMemo((): RangeRow | { row: RangeRow; barred: Said[] } | null => {
    if (!pickedRow || (!isTurned && !state.machine)) return pickedRow;
    const again = rowOf(pickedRow.e, input, { ...turned, machineId: state.machine });
    return Array.isArray(again) ? { row: pickedRow, barred: again } : { ...pickedRow, ...again };
  }, [pickedRow, isTurned, turned, input, state.machine]);
  const alsoSheet = useMemo(
    () => also && rangeSheet({ ...common, tissue: also, capTimes: null }),
    [common, also],
  );
  /** the second tissue's load of every row, the turned one as it is turned */
  const alsoRows = useMemo(() => {
    if (!alsoSheet || !also) return null;
    const known = new Map(alsoSheet.rows.map((r) => [r.e.id, { tissue: also, computed: r.computed }]));
    if (pickedRow && (isTurned || state.machine)) {
      const again = rowOf(
        pickedRow.e,
        { ...common, tissue: also, capTimes: null },
        { ...turned, machineId: state.machine },
      );
      if (!Array.isArray(again)) known.set(pickedRow.e.id, { tissue: also, computed: again.computed });
    }
    const most = fullHeight(
      also,
      [...known.values()].flatMap((r) => (r.computed ? [r.computed.peak] : [])),
    );
    return { tissue: also, most, of: known };
  }, [alsoSheet, also, common, pickedRow, isTurned, turned, state.machine]);
  const write = (t: Turned) =>
    setState({
      set: [
        ...Object.entries(t.settings).map(([k, v]) => `${k}~${v}`),
        ...(t.load === undefined ? [] : [`load~${t.load}`]),
      ],
    });
  return {
    state,
    setState,
    tissue,
    /** tissues passed over because nothing here loads them */
    flat,
    alsoRows,
    basis,
    input,
    sheet,
    rows,
    picked,
    isTurned,
    turned,
    pick: (id: string) => setState({ row: id, set: null, machine: null }),
    // notches differ from machine to machine
    takeMachine: (id: string) => setState({ machine: id, set: null }),
    turn: (key: string, value: number) =>
      write({ ...turned, settings: { ...turned.settings, [key]: value } }),
    load: (load: number) => write({ ...turned, load }),
    takeSetUp: (settings: Record<string, number>, load: number) => write({ settings, load }),
    reset: () => setState({ set: null }),
  };
}

interface Made {
  input: SheetInput;
  sheet: ReturnType<typeof rangeSheet>;
}

/** Rows ranked by what hurts, with the load of the tissue that is shown. */
const inOrderOf = (ranked: Made["sheet"], shown: Made["sheet"]): RangeRow[] =>
  ranked.rows.flatMap((r) => {
    const own = shown.rows.find((x) => x.e.id === r.e.id);
    return own ? [{ ...own, said: r.said }] : [];
  });

/** Whether every row leaves the tissue alone. */
const isFlat = (sheet: Made["sheet"]): boolean =>
  sheet.rows.length > 0 && sheet.rows.every((r) => !r.computed || r.computed.peak === 0);

/** Value at the top of a band: the same for all rows, so that heights compare. */
export const fullHeight = (tissue: Tissue, peaks: readonly number[]): number =>
  Math.max({ kneecap: 1.05, forward: 200, backward: 400, back: 20 }[tissue], ...peaks);

export type Choose = ReturnType<typeof useChoose>;
