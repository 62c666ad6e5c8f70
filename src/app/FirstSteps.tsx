import { Link } from "@/ui/Link";

/** The first three steps of a clinic that begins, each with whether it was done. */
export function FirstSteps({ machines, isTherapist }: { machines: number; isTherapist: boolean }) {
  return (
    <section className="mt-4 max-w-[64ch]">
      <h2 className="text-[19px]">The first three steps</h2>
      <ol className="mt-1">
        <Step no={1} isDone={machines > 0} href="/gym/new" title="Enter the machines of this gym">
          {machines > 0
            ? `${machines} ${machines === 1 ? "stands" : "stand"} in the gym, each with its own notches and steps.`
            : "Pick the kind by its drawing; usual numbers stand in until they are measured. Two minutes each."}
        </Step>
        <Step no={2} isDone={false} href={isTherapist ? "/clients/new" : null} title="Enter the first client">
          {isTherapist
            ? "Who, what hurts, what for; then the warning signs, then the limits of the phase."
            : "A therapist enters clients; afterwards they stand here."}
        </Step>
        <Step no={3} isDone={false} href={null} title="Test the strength, choose, run the first hold">
          The client's path leads through it; what is not tested yet is estimated and said so.
        </Step>
      </ol>
    </section>
  );
}

function Step({
  no,
  isDone,
  href,
  title,
  children,
}: {
  no: number;
  isDone: boolean;
  href: string | null;
  title: string;
  children: React.ReactNode;
}) {
  return (
    <li className="grid grid-cols-[32px_1fr] border-t border-rule py-2">
      <span className="display text-[21px] text-primary" aria-hidden>
        {isDone ? "✓" : no}
      </span>
      <span>
        {href ? (
          <Link href={href} className="font-bold text-primary underline">
            {title}
          </Link>
        ) : (
          <b>{title}</b>
        )}
        {isDone && <span className="sr-only"> (done)</span>}
        <span className="quiet block">{children}</span>
      </span>
    </li>
  );
}
