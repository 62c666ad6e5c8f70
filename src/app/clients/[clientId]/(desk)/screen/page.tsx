import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { today } from "@/server/base/context";
import { clientEpisode } from "@/server/client/clients";
import { pressureFacts, questionsOf, screeningStateOf, screeningsOf } from "@/server/client/screenings";
import { checkedCitations } from "@/server/clinic/sources";
import { citationWords } from "@/words/en/facets";
import { sayPlainly } from "@/words/say";
import { ScreenDesk } from "./ScreenDesk";
import { ScreenHistory } from "./ScreenHistory";
import { StandingSigns } from "./StandingSigns";

export const metadata: Metadata = { title: "Screen" };

/** Warning signs first: what stands, who can clear it, and the questions of this client's regions. */
export default async function ScreenPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      questions: await questionsOf(ctx, client),
      today: today(ctx),
      state: await screeningStateOf(ctx, client),
      checked: await checkedCitations(ctx),
      screenings: await screeningsOf(ctx, client.episodeId),
      pressure: await pressureFacts(ctx, client),
    };
  });
  const { questions, state, screenings } = data;
  const newest = screenings[0] ?? null;
  const bars = state.barsFloor ?? state.barsPlanning;
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <ScreenDesk
        key={newest?.id ?? "first"}
        clientId={clientId}
        questions={questions.map((q) => ({
          id: q.id,
          area: q.area,
          question: q.question,
          consequence: q.consequence_if_yes,
          timeFrame: q.time_frame,
          doNow: q.do_now,
          escalations: q.escalate_if.map((e) => e.if),
        }))}
        isDue={newest === null || state.status === "due" || state.status === "incomplete"}
        lastAnswers={newest ? Object.fromEntries(newest.answers.map((a) => [a.questionId, a.answer])) : {}}
        pressure={data.pressure}
        today={data.today}
        mayAsk={may(actor.role, "screen.record")}
      />
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <StandingSigns
          clientId={clientId}
          state={{
            status: state.status,
            dueBecause: state.dueBecause && sayPlainly(state.dueBecause),
            unanswered: state.unanswered.length,
            bars: bars && sayPlainly(bars),
          }}
          signs={state.standing.map((s) => ({
            questionId: s.flag.id,
            question: s.flag.question,
            answer: s.answer,
            consequence: s.consequence,
            timeFrame: s.timeFrame,
            doNow: s.flag.do_now,
            why: s.flag.why,
            source: `${s.flag.source}; confidence ${s.flag.confidence}, ${citationWords(s.flag.source, data.checked)}`,
            on: s.on,
          }))}
          mayClear={may(actor.role, "recheck.clear")}
          locale={actor.locale}
        />
        <ScreenHistory screenings={screenings} locale={actor.locale} timeZone={actor.timeZone} />
      </aside>
    </main>
  );
}
