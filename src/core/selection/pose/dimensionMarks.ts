import type { Body } from "../../body/segments";
import { type GymMachine, settingsAtNotches } from "../setUp/machineFor";
import { type Drawing, drawn, machineScene, type Stroke } from "./drawing";
import { poseBox } from "./poseBox";

/** Where a dimension or a setting of a machine shows in its drawing: the strokes that move with it, and a place for its number. */
export interface DimensionMark {
  key: string;
  strokes: readonly number[];
  /** metres, as in the drawing */
  x: number;
  y: number;
}

/** Less than this is not seen, m. */
const SEEN_M = 0.006;
/** Two numbers closer than this would cover each other, m. */
const APART_M = 0.15;

/**
 * Each of a machine's dimensions and settings is changed a little and the drawing compared: what moved is what it is.
 * So a new kind of machine needs no positions by hand. A dimension that moves nothing (a ratio, a weight) has no mark.
 */
export function dimensionMarks(machine: GymMachine, body: Body, deg?: number): DimensionMark[] {
  const scene = machineScene(machine, deg);
  if (!scene) return [];
  const { chosen, posed } = scene;
  const box = poseBox(body, chosen, { ...posed.settings });
  const base = drawn(body, chosen, posed, box);
  if (!base) return [];
  const changed = (
    key: string,
    from: number,
    least: number,
    most: number,
    isSetting: boolean,
  ): Drawing | null => {
    const step = 0.12 * (most - least);
    const to = from + step <= most ? from + step : from - step;
    if (isSetting) return drawn(body, chosen, { ...posed, settings: { ...posed.settings, [key]: to } }, box);
    const other = { ...machine, geometry: { ...machine.geometry, [key]: to } };
    const settings = settingsAtNotches(
      { ...chosen, machine: other },
      { families: [], share: 0.5, legs: "two" },
    );
    return drawn(body, { ...chosen, machine: other }, { ...posed, settings }, box);
  };
  const marks: DimensionMark[] = [];
  const look = (key: string, from: number, least: number, most: number, isSetting: boolean) => {
    const now = changed(key, from, least, most, isSetting);
    const mark = now && markOf(key, base.strokes, now.strokes);
    if (mark) marks.push(apart(mark, marks));
  };
  for (const g of chosen.family.geometry)
    look(g.key, machine.geometry[g.key] ?? g.usual, g.least, g.most, false);
  for (const s of chosen.family.settings)
    if (!s.words) look(s.key, posed.settings[s.key] ?? s.usual, s.from, s.to, true);
  return marks;
}

function markOf(key: string, base: readonly Stroke[], now: readonly Stroke[]): DimensionMark | null {
  if (base.length !== now.length) return null;
  const moved = base.map((b, i) => {
    const n = now[i] as Stroke;
    return Math.max(
      Math.hypot(n.fromX - b.fromX, n.fromY - b.fromY),
      Math.hypot(n.toX - b.toX, n.toY - b.toY),
    );
  });
  // the machine itself first: a body that only follows is not the dimension
  const ofMachine = moved.map((m, i) => (base[i]?.tone === "machine" ? m : 0));
  const among = Math.max(...ofMachine) > SEEN_M ? ofMachine : moved;
  const most = Math.max(...among);
  const at = base[among.indexOf(most)];
  if (most <= SEEN_M || !at) return null;
  return {
    key,
    strokes: among.flatMap((m, i) => (m > most / 2 ? [i] : [])),
    x: (at.fromX + at.toX) / 2,
    y: (at.fromY + at.toY) / 2,
  };
}

/** Moves a number away from those that lie there already. */
function apart(mark: DimensionMark, others: readonly DimensionMark[]): DimensionMark {
  let { y } = mark;
  while (others.some((o) => Math.hypot(o.x - mark.x, o.y - y) < APART_M)) y += APART_M;
  return { ...mark, y };
}
