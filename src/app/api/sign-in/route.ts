import { cookies } from "next/headers";
import { SESSION_COOKIE } from "@/app/_web/actor";
import { mustBeSameOrigin, problemResponse, readBody } from "@/app/_web/route";
import { SESSION_HOURS, signIn, signInInput } from "@/server/auth/signIn";

/** Before anybody is signed in only an address and a password are read. */
const SIGN_IN_BYTES = 4_000;

export async function POST(request: Request): Promise<Response> {
  try {
    mustBeSameOrigin(request);
    const token = await signIn(await readBody(request, signInInput, SIGN_IN_BYTES), new Date());
    (await cookies()).set(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: "strict",
      secure: new URL(request.url).protocol === "https:",
      path: "/",
      maxAge: SESSION_HOURS * 3600,
    });
    return Response.json({ ok: true });
  } catch (error) {
    return problemResponse(error);
  }
}
