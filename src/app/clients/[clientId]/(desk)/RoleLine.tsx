import { may, type Role } from "@/core/access/roles";
import { Link } from "@/ui/Link";

/** For who does not plan: what they can do for this client, from every step. */
export function RoleLine({ clientId, role }: { clientId: string; role: Role }) {
  if (may(role, "plan.write")) return null;
  const to = (step: string, words: string) => (
    <Link href={`/clients/${clientId}/${step}`} className="underline">
      {words}
    </Link>
  );
  return (
    <nav
      aria-label="What you can do here"
      className="small flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-rule px-5 py-2 print:hidden"
    >
      <b>You can</b>
      {may(role, "session.run") && to("floor", "run it on the floor")}
      {may(role, "response.record") && to("morning", "enter the morning after")}
      {may(role, "swap.take") && to("swap", "swap an exercise for today")}
      {to("cards", "read the set-up cards")}
      {may(role, "export.client") && to("papers", "take the records out")}
      {to("record", "read the record of changes")}
      {may(role, "request.make") && to("dose", "ask a therapist for a change")}
      <span className="quiet">the rest is a therapist's, here to read</span>
    </nav>
  );
}
