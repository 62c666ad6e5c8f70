"use client";
import { useEffect } from "react";
import { forgetLink } from "@/ui/outbox";

/** A link that has ended leaves nothing on the phone: not the page, not what was begun behind it. */
export function ForgetLink() {
  useEffect(() => {
    const { href, pathname } = window.location;
    const forget = async () => {
      for (const store of await caches.keys()) await (await caches.open(store)).delete(href);
      await forgetLink(pathname.split("/")[2] ?? "");
    };
    // where there is no store nothing was kept
    forget().catch(() => undefined);
  }, []);
  return null;
}
