import { QueryClient } from "@tanstack/react-query";
import { expect, it } from "vitest";
import { answerInPlace } from "./answer-in-place.ts";

it("what a write answered is not overwritten by a question that was asked before it", async () => {
  const client = new QueryClient();
  let answerOld: (day: string) => void = () => undefined;
  client.setQueryData(["day"], "as it was");
  const asked = client
    .query({ queryKey: ["day"], queryFn: () => new Promise<string>((resolve) => (answerOld = resolve)) })
    .catch(() => "broken off");
  await answerInPlace(client, ["day"], "as it is now");
  answerOld("as it was");
  await asked;
  expect(client.getQueryData(["day"])).toBe("as it is now");
});
