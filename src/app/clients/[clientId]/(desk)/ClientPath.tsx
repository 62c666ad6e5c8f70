"use client";
import { usePathname } from "next/navigation";
import { type Deed, may, type Role } from "@/core/access/roles";
import type { PathStep, Steps } from "@/core/desk/path";
import type { Next } from "@/core/desk/waiting";
import { Link } from "@/ui/Link";
import { useSay } from "@/ui/reader";
import { Path, type PathEntry } from "@/ui/shell/Path";

const STEPS: readonly { name: string; step: PathStep }[] = [
  { name: "Story", step: "story" },
  { name: "Screen", step: "screen" },
  { name: "Limits", step: "limits" },
  { name: "Measure", step: "measure" },
  { name: "Choose", step: "choose" },
  { name: "Dose", step: "dose" },
  { name: "Week", step: "week" },
  { name: "Floor", step: "floor" },
  { name: "Morning", step: "morning" },
  { name: "Decide", step: "decide" },
  { name: "Review", step: "review" },
];

/** What somebody must be allowed to do to take a step; review is for everybody. */
const DEEDS: Partial<Record<PathStep, Deed>> = {
  story: "story.write",
  screen: "screen.record",
  limits: "phase.confirm",
  measure: "test.record",
  choose: "plan.write",
  dose: "plan.write",
  week: "plan.write",
  floor: "session.run",
  morning: "response.record",
  decide: "decision.take",
};

/** Pages that belong to a step of the path. */
const PART_OF: Readonly<Record<string, PathStep>> = {
  cards: "choose",
  swap: "choose",
  ladder: "decide",
  explain: "review",
  costs: "review",
};

/** The path with what each step says today. */
export function ClientPath({
  clientId,
  steps,
  next,
  role,
}: {
  clientId: string;
  steps: Steps;
  next: Next;
  role: Role;
}) {
  const say = useSay();
  const page = usePathname().split("/").pop() ?? "";
  const here = PART_OF[page] ?? page;
  const deed = DEEDS[next.step];
  const isMine = deed === undefined || may(role, deed);
  const entries = STEPS.map(
    ({ name, step }): PathEntry => ({
      name,
      state: steps[step].state,
      words: say(steps[step].why),
      href: `/clients/${clientId}/${step}`,
      isHere: here === step,
    }),
  );
  return (
    <div className="border-b border-rule pb-2 print:hidden md:border-b-0 md:border-r">
      <Path entries={entries} />
      {next.step !== here && (
        <nav aria-label="Next step" className="small mb-3 border-l-4 border-primary pl-2 ml-[14px] mr-2">
          <Link href={`/clients/${clientId}/${next.step}${next.query ?? ""}`} className="hover:underline">
            <b className="text-primary">{isMine ? "Next:" : "Next, a colleague:"}</b> {say(next.why)}
          </Link>
        </nav>
      )}
      <nav aria-label="Record">
        <Link
          href={`/clients/${clientId}/record`}
          aria-current={here === "record" ? "page" : undefined}
          className={`small ml-[18px] ${here === "record" ? "font-bold text-primary" : "quiet hover:underline"}`}
        >
          Record of changes
        </Link>
      </nav>
    </div>
  );
}
