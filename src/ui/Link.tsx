import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link to another page. It is not fetched before it is wanted: every page is worked out for one person at the clinic's
 * own machine, and a screen shows twenty links.
 */
export const Link = (props: Omit<ComponentProps<typeof NextLink>, "prefetch">) => (
  <NextLink {...props} prefetch={false} />
);
