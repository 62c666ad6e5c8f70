import { useMemo, useRef } from "react";
import { USUAL_BODY } from "@/core/body/segments";
import { contactForce } from "@/core/equipment/contactForce";
import { familyById } from "@/core/equipment/families";
import { type Machine, machine as machineSchema } from "@/core/equipment/machine";
import { type DimensionMark, dimensionMarks } from "@/core/selection/pose/dimensionMarks";
import { machineScene } from "@/core/selection/pose/drawing";
import { GRAVITY_M_S2 } from "@/core/units/mass";

interface Marks {
  marks: DimensionMark[];
  /** what a kilogram of load is where the leg meets it, in words; null where there is no model */
  felt: string | null;
}

/** The numbers on a machine's drawing, in the order of its fields, and what its load means at the leg. */
export function useMarks(typed: unknown, deg: number | undefined) {
  const last = useRef<Marks>({ marks: [], felt: null });
  const text = JSON.stringify(typed);
  const found = useMemo(() => {
    const read = machineSchema.safeParse(JSON.parse(text));
    return read.success ? marksOf(read.data, deg) : null;
  }, [text, deg]);
  if (found) last.current = found;
  const { marks, felt } = last.current;
  const numberOf = (key: string): number | null => {
    const at = marks.findIndex((m) => m.key === key);
    return at < 0 ? null : at + 1;
  };
  return { marks, numberOf, felt };
}

function marksOf(machine: Machine, deg: number | undefined): Marks {
  const own = { ...machine, id: "form" };
  const scene = machineScene(own);
  const force = scene && contactForce(machine, USUAL_BODY, scene.posed.settings);
  return { marks: dimensionMarks(own, USUAL_BODY, deg), felt: force ? feltWords(machine, force) : null };
}

/** "A kilogram on the stack is 8.2 N at the leg, …": what a ratio or a rail means, from the model and not by eye. */
function feltWords(machine: Machine, force: NonNullable<ReturnType<typeof contactForce>>): string {
  const name = familyById(machine.family)?.load?.name ?? "load";
  const share = force.newtonsPerKg / GRAVITY_M_S2;
  return `With these numbers each kilogram of the ${name} is about ${force.newtonsPerKg.toPrecision(2)} N where the leg meets it, as ${share.toPrecision(2)} kg resting there: one leg, held still, knee bent ${force.kneeFlexionDeg}°.`;
}
