"use client";
import { createContext, type ReactNode, useContext } from "react";
import { type MassUnit, withPounds } from "@/core/units/mass";

const Mass = createContext<MassUnit>("kg");

/** In what the reader thinks of masses, for parts that are not handed it. */
export const useMassUnit = (): MassUnit => useContext(Mass);

export function MassProvider({ unit, children }: { unit: MassUnit; children: ReactNode }) {
  return <Mass value={unit}>{children}</Mass>;
}

/** A sentence of the core; who reads pounds has them beside each mass in it. */
export function Said({ children }: { children: string | null | undefined }) {
  const unit = useMassUnit();
  return children ? withPounds(children, unit) : null;
}
