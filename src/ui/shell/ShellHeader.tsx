import { Link } from "@/ui/Link";
import { TopBar } from "./TopBar";

/** The header of screens that belong to no single client. */
export function ShellHeader({ clinic, who }: { clinic: string; who: string }) {
  return (
    <header>
      <TopBar clinic={clinic} who={who} />
      <p className="flex items-baseline justify-between border-b border-rule bg-base-100 px-5 py-2">
        <Link href="/" className="display text-2xl text-primary" aria-label="Bexlo, to the list of the day">
          Bexlo
        </Link>
        <span>{clinic}</span>
      </p>
    </header>
  );
}
