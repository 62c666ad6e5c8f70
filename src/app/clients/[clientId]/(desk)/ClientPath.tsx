"use client";
import { usePathname } from "next/navigation";
import type { ClientDay, PathStep } from "@/server/day";
import { Path, type PathEntry } from "@/ui/shell/Path";

const STEPS: readonly { name: string; step: PathStep | null }[] = [
  { name: "Story", step: "story" },
  { name: "Screen", step: null },
  { name: "Measure", step: "measure" },
  { name: "Choose", step: null },
  { name: "Dose", step: "dose" },
  { name: "Week", step: null },
  { name: "Floor", step: "floor" },
  { name: "Morning", step: "morning" },
  { name: "Decide", step: "decide" },
  { name: "Review", step: null },
];

/** The path with what each step says today; steps that are not built yet are words, not links. */
export function ClientPath({ clientId, steps }: { clientId: string; steps: ClientDay["steps"] }) {
  const here = usePathname().split("/").pop();
  const entries = STEPS.map(({ name, step }): PathEntry => {
    if (!step) return { name, words: "coming later", state: "coming", href: null, isHere: false };
    return { name, ...steps[step], href: `/clients/${clientId}/${step}`, isHere: here === step };
  });
  return <Path entries={entries} />;
}
