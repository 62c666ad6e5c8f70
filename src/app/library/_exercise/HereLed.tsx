import { ACROSS_ORDERS, type AcrossClients, LEAST_ACROSS } from "@/core/review/across/acrossClients";
import { Link } from "@/ui/Link";
import { ACROSS_WORDS, resultWords, visitsWords } from "@/words/en/numbers/across";

/** What one exercise led to among this clinic's clients; nothing where nobody did it. */
export function HereLed({ across }: { across: AcrossClients | null }) {
  if (!across) return null;
  const { results } = across;
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <h2 className="text-[17px]">Here, within a year</h2>
      <p>
        {visitsWords(across)}.{" "}
        {!results &&
          `Too few to say more: ${LEAST_ACROSS.visits} visits of ${LEAST_ACROSS.clients} clients are wanted, so that nobody can be told apart. `}
        <Link href="/library/results" className="underline">
          beside others
        </Link>
      </p>
      {results && (
        <dl className="mt-1 grid grid-cols-1 gap-x-6 md:grid-cols-3">
          {ACROSS_ORDERS.map((o) => (
            <div key={o}>
              <dt className="small quiet">{ACROSS_WORDS[o]}</dt>
              <dd>{resultWords(results, o)}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  );
}
