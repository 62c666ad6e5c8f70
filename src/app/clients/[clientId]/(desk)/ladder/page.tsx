import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { withPounds } from "@/core/units/mass";
import { clientEpisode } from "@/server/client/clients";
import { coursesOf, type LineCourse } from "@/server/visits/courses";
import { Link } from "@/ui/Link";
import { sayPlainly } from "@/words/say";
import { CourseChart } from "./CourseChart";

export const metadata: Metadata = { title: "Ladder" };

/** For every line the way it came so far, where pain stopped it, and what stands before its next step. */
export default async function LadderPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => coursesOf(ctx, await clientEpisode(ctx, clientId)));
  return (
    <main className="px-4 py-4">
      <h1 className="text-[19px]">
        The way so far <span className="quiet text-[15px] font-normal">each line of the sheets in force</span>
      </h1>
      {data.length === 0 ? (
        <p className="mt-2 max-w-[60ch]">
          Nothing climbs yet: plan a sheet in{" "}
          <Link href={`/clients/${clientId}/dose`} className="underline">
            Dose
          </Link>
          .
        </p>
      ) : (
        <ol className="mt-2">
          {data.map((c) => (
            <li
              key={c.lineId}
              className="grid grid-cols-1 lg:grid-cols-[250px_minmax(0,1fr)_300px] items-start gap-x-5 border-b border-rule py-3"
            >
              <div>
                <b>{c.name}</b>
                <p className="small quiet">
                  {c.sheet} · {WORDS[c.of]}
                </p>
              </div>
              <CourseChart course={c} locale={actor.locale} massUnit={actor.massUnit} />
              <div className="small">
                <p>
                  <b>Next:</b> {withPounds(c.next, actor.massUnit)}
                </p>
                <p className="quiet">{withPounds(standsWords(c), actor.massUnit)}</p>
              </div>
            </li>
          ))}
        </ol>
      )}
    </main>
  );
}

const WORDS: Record<LineCourse["of"], string> = {
  angle: "knee angle climbs",
  help: "help falls",
  load: "load climbs",
  reps: "repetitions climb",
  seconds: "seconds climb",
};

/** What is missing for the next step. */
function standsWords(c: LineCourse): string {
  if (c.bars) return `It cannot be set today: ${sayPlainly(c.bars)}.`;
  const stopped = c.points.filter((p) => p.stopped).length;
  const left = Math.max(0, c.needed - c.good);
  const visits =
    left === 0
      ? "good visits enough"
      : `${left} good ${left === 1 ? "visit" : "visits"} before it (${c.good} of ${c.needed})`;
  return `${visits}${stopped > 0 ? `; joint pain above ${c.painMax} stopped it ${stopped === 1 ? "once" : `${stopped} times`}` : ""}.`;
}
