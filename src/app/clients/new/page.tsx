import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { episodesOf } from "@/server/client/story";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { storyChoices } from "../_story/choices";
import { NewClient } from "./NewClient";

export const metadata: Metadata = { title: "New client" };

/** A new client, or (`?client=`) a new episode of one whose earlier ones are closed. */
export default async function NewClientPage({
  searchParams,
}: {
  searchParams: Promise<{ client?: string | string[] }>;
}) {
  const { client } = await searchParams;
  const { actor, data } = await onPage(async (ctx) =>
    typeof client === "string" ? episodesOf(ctx, client) : null,
  );
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="px-6 py-4">
        <h1 className="mb-2 text-[22px]">
          {data ? `A new episode for ${data.name}` : "A new client"}{" "}
          <span className="quiet text-[15px] font-normal">
            made-up names or initials, nothing that identifies; * is needed
          </span>
        </h1>
        {may(actor.role, "story.write") ? (
          <NewClient
            choices={storyChoices()}
            massUnit={actor.massUnit}
            known={data && typeof client === "string" ? { clientId: client, person: data.person } : null}
          />
        ) : (
          <p className="border-l-4 border-accent pl-3">{DEED_SENTENCES["story.write"]}</p>
        )}
      </main>
    </>
  );
}
