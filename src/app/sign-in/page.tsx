import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { HatchDefs } from "@/ui/rail/Hatch";
import { Ruler } from "@/ui/rail/Ruler";
import { xOf } from "@/ui/rail/scale";
import { WindowBand } from "@/ui/rail/WindowBand";
import { currentActor } from "../_web/actor";
import { SignInForm } from "./SignInForm";

export const metadata: Metadata = { title: "Sign in" };

export default async function SignInPage() {
  if (await currentActor()) redirect("/");
  return (
    <main className="mx-auto grid min-h-dvh max-w-[1180px] grid-cols-1 items-center gap-12 px-8 py-10 lg:grid-cols-[1fr_340px]">
      <div>
        <p className="display text-3xl text-primary">Bexlo</p>
        <h1 className="mt-6 max-w-[22ch] text-4xl leading-tight">
          Which leg machine, at which knee angle, how heavy, how long. And what next time.
        </h1>
        <p className="mt-4 max-w-[58ch] text-[17px]">
          For physical therapists, and trainers working inside their limits. Bexlo measures the leg, works out
          a hold it can stand, times it on the floor, asks the next morning, and drafts the next step with its
          reasons. You decide.
        </p>
        <svg
          viewBox="100 -4 600 118"
          className="mt-8 w-full max-w-[640px]"
          role="img"
          aria-label="The angle rail: 30 to 95 degrees are allowed, a hold sits at 60 degrees, three rungs are climbed, the next is at 75"
        >
          <HatchDefs />
          <Ruler />
          <WindowBand fromDeg={25} toDeg={95} y={44} height={44} />
          <line x1={xOf(28)} x2={xOf(92)} y1={66} y2={66} className="stroke-rule" />
          {[30, 40, 50].map((deg) => (
            <circle
              key={deg}
              cx={xOf(deg)}
              cy={66}
              r={5}
              fill="none"
              strokeWidth={2}
              className="stroke-mark"
            />
          ))}
          <circle cx={xOf(60)} cy={66} r={14} className="fill-accent" />
          <text
            x={xOf(60)}
            y={71}
            textAnchor="middle"
            fontSize={13}
            fontWeight={700}
            className="fill-accent-content"
          >
            60
          </text>
          <circle
            cx={xOf(75)}
            cy={66}
            r={8}
            fill="none"
            strokeWidth={1.6}
            strokeDasharray="3 3"
            className="stroke-mark"
          />
          <text x={xOf(60)} y={108} textAnchor="middle" fontSize={13} className="fill-quiet">
            a hold at 60° knee flexion, inside what the surgeon and the therapist allow
          </text>
        </svg>
      </div>
      <SignInForm />
    </main>
  );
}
