import Link from "next/link";
import { SignOut } from "./SignOut";
import { ThemeSwitch } from "./ThemeSwitch";

/** The header of screens that belong to no single client. */
export function ShellHeader({ clinic, who }: { clinic: string; who: string }) {
  return (
    <header className="flex items-baseline justify-between border-b border-rule bg-base-100 px-6 py-4">
      <nav aria-label="Screens" className="flex items-baseline gap-6">
        <Link href="/" className="display text-2xl text-primary">
          Bexlo
        </Link>
        <Link href="/" className="hover:underline">
          Today
        </Link>
        <Link href="/caseload" className="hover:underline">
          Caseload
        </Link>
        <Link href="/outbox" className="hover:underline">
          Outbox
        </Link>
        <Link href="/gym" className="hover:underline">
          Gym
        </Link>
        <Link href="/library" className="hover:underline">
          Library
        </Link>
        <Link href="/files" className="hover:underline">
          Files
        </Link>
        <Link href="/clinic" className="hover:underline">
          Clinic
        </Link>
        <Link href="/stances" className="hover:underline">
          Stances
        </Link>
        <Link href="/sources" className="hover:underline">
          Sources
        </Link>
      </nav>
      <p>
        {clinic} <span className="quiet">· {who}</span>
      </p>
      <p className="flex gap-4">
        <ThemeSwitch />
        <SignOut />
      </p>
    </header>
  );
}
