import { redFlagById } from "@/core/rules/redFlags";
import type { StoredScreening } from "@/server/client/screenings";
import { moment, shortDate } from "@/ui/dates";

/** Every screening with who signed it, what was answered yes and how it was cleared. */
export function ScreenHistory({
  screenings,
  locale,
  timeZone,
}: {
  screenings: StoredScreening[];
  locale: string;
  timeZone: string;
}) {
  if (screenings.length === 0) return null;
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h2 className="text-[17px]">Asked before</h2>
      <ol>
        {screenings.map((s) => {
          const positive = s.answers.filter((a) => a.answer !== "no");
          return (
            <li key={s.id} className="border-t border-rule py-1.5 first:border-t-0">
              <p>
                <b>{shortDate(s.on, locale)}</b> <span className="quiet">{s.by}</span>
              </p>
              <p className="small">
                {s.answers.length} questions,{" "}
                {positive.length === 0 ? "all no" : `${positive.length} answered yes or unsure`}
                {groupWords(s)}
                {s.systolicMmHg !== null && `; ${s.systolicMmHg}/${s.diastolicMmHg} mmHg`}
                {s.pressureNotTaken && `; blood pressure not taken: ${s.pressureNotTaken}`}
              </p>
              {positive.map((a) => {
                const cleared = s.clearances.find((c) => c.questionId === a.questionId);
                return (
                  <p key={a.questionId} className="small mt-1">
                    {redFlagById(a.questionId)?.question} <b>{a.answer}</b>.{" "}
                    <span className="quiet">
                      {cleared
                        ? `Cleared ${moment(cleared.at, locale, timeZone)} by ${cleared.by}, ${cleared.onWordOf === "physician" ? "on a physician's word" : "after examination"}: ${cleared.words}`
                        : "Not cleared."}
                    </span>
                  </p>
                );
              })}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** How many were answered as a group after all of it was shown; nothing where each was asked by itself. */
function groupWords(s: StoredScreening): string {
  const inGroups = s.answers.filter((a) => a.askedAs === "group").length;
  return inGroups === 0 ? ", each asked by itself" : `, ${inGroups} of them asked as a group`;
}
