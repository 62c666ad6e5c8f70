"use client";
import { usePathname } from "next/navigation";
import { PageHelp } from "@/ui/help/PageHelp";
import { Link } from "@/ui/Link";
import { Finder } from "./Finder";
import { NoNetwork } from "./NoNetwork";
import { SignOut } from "./SignOut";
import { isHere, SCREENS } from "./screens";
import { ThemeSwitch } from "./ThemeSwitch";

/** The one menu, on every screen of the desk: where one is, where one can go, search, help, oneself. */
export function TopBar({ clinic, who }: { clinic: string; who: string }) {
  const path = usePathname();
  return (
    <>
      <NoNetwork />
      <div className="flex flex-wrap items-center justify-between gap-x-5 border-b border-rule bg-base-200 px-5 py-1 print:hidden">
        <nav aria-label="Screens">
          <ul className="flex flex-wrap gap-x-4">
            {SCREENS.map((s) => (
              <li key={s.href}>
                <Link
                  href={s.href}
                  aria-current={isHere(s.href, path) ? "page" : undefined}
                  className={
                    isHere(s.href, path)
                      ? "border-b-2 border-primary font-bold text-primary"
                      : "hover:underline"
                  }
                >
                  {s.name}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        <nav aria-label="Finding, help and oneself" className="small flex flex-wrap items-center gap-x-4">
          <Finder />
          <PageHelp />
          <span className="quiet" title={clinic}>
            {who}
          </span>
          <Link href="/settings" className="quiet hover:underline">
            settings
          </Link>
          <ThemeSwitch />
          <SignOut />
        </nav>
      </div>
    </>
  );
}
