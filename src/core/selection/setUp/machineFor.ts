import { familyById } from "../../equipment/families";
import type { MachineFamily } from "../../equipment/families/family";
import { type LoadSteps, type Setting, settingsOf } from "../../equipment/loadSteps";
import { type Machine, nearestNotch, notchesOf } from "../../equipment/machine";
import { templateOf } from "../../equipment/templates";
import type { ExerciseUse } from "../fit/exerciseUse";

/** A machine of the clinic, or a usual one where it has none of the kind. */
export type GymMachine = Machine & { id: string };

export interface ChosenMachine {
  machine: Machine;
  /** null: a usual machine that this gym does not have */
  id: string | null;
  family: MachineFamily;
}

/** Every machine of the clinic that can do it, in the order of the exercise's families. */
export const machinesFor = (use: ExerciseUse, machines: readonly GymMachine[]): GymMachine[] =>
  use.families.flatMap((family) => machines.filter((m) => m.family === family));

/** The wanted machine if it can do it, else the first of the clinic that can, else a usual one. */
export function machineFor(
  use: ExerciseUse,
  machines: readonly GymMachine[],
  wantedId: string | null = null,
): ChosenMachine {
  const wanted = machinesFor(use, machines).find((m) => m.id === wantedId);
  const wantedFamily = wanted && familyById(wanted.family);
  if (wanted && wantedFamily) return { machine: wanted, id: wanted.id, family: wantedFamily };
  for (const id of use.families) {
    const own = machines.find((m) => m.family === id);
    const family = familyById(id);
    if (own && family) return { machine: own, id: own.id, family };
  }
  const first = use.families[0] as string;
  return { machine: usualMachine(first), id: null, family: familyById(first) as MachineFamily };
}

// one of each kind, so that what was solved on it is found again
const usual = new Map<string, Machine>();
function usualMachine(familyId: string): Machine {
  const made = usual.get(familyId) ?? templateOf(familyId);
  usual.set(familyId, made);
  return made;
}

/** All settings of a machine at notches: what was asked for, else the exercise's own, else the usual, each at its nearest notch. */
export function settingsAtNotches(
  chosen: ChosenMachine,
  use: ExerciseUse,
  asked: Readonly<Record<string, number>> = {},
): Record<string, number> {
  return Object.fromEntries(
    chosen.family.settings.map((spec) => {
      const wanted = asked[spec.key] ?? use.settings?.[spec.key] ?? spec.usual;
      return [spec.key, nearestNotch(notchesOf(chosen.machine, spec), wanted).value];
    }),
  );
}

/** What hangs there counts on a sled or bar; what the lever feels on a stack. */
export const loadOfStep = (steps: LoadSteps, s: Setting): number =>
  steps.kind === "pairs" ? s.massKg : s.kg;

/** What is set where nothing is hung on or held. */
export const BODY_WEIGHT = "body weight";

export interface RealLoad {
  load: number;
  how: string;
}

// a machine's steps are laid out once: rows, lines and searches ask for them again and again
const laidOut = new WeakMap<LoadSteps, RealLoad[]>();

/** Real loads of a machine, lightest first, with how each is set. Things that are held may also be left away. */
export function realLoads(machine: Machine, family: MachineFamily): readonly RealLoad[] {
  const known = laidOut.get(machine.steps);
  if (known) return known;
  const made = layOut(machine, family);
  laidOut.set(machine.steps, made);
  return made;
}

function layOut(machine: Machine, family: MachineFamily): RealLoad[] {
  if (!family.load) return [{ load: 0, how: BODY_WEIGHT }];
  const steps = settingsOf(machine.steps).map((s) => ({ load: loadOfStep(machine.steps, s), how: s.how }));
  const mayBeBare = machine.steps.kind === "list" || family.isReversed;
  return mayBeBare ? [{ load: 0, how: `no ${family.load.name}` }, ...steps] : steps;
}
