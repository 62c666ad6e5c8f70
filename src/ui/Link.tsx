"use client";
import NextLink, { useLinkStatus } from "next/link";
import { type ComponentProps, useEffect } from "react";
import { wait } from "./shell/busy";

/**
 * A link to another page. It is not fetched before it is wanted: every page is worked out for one person at the clinic's
 * own machine, and a screen shows twenty links. While it is waited for, that is said.
 */
export const Link = ({ children, ...props }: Omit<ComponentProps<typeof NextLink>, "prefetch">) => (
  <NextLink {...props} prefetch={false}>
    {children}
    <Pending />
  </NextLink>
);

function Pending() {
  const { pending } = useLinkStatus();
  useEffect(() => (pending ? wait() : undefined), [pending]);
  return null;
}
