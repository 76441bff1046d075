import { getHealth } from "@sprunel/contract/basics";
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";

const since = "2026-06-16T06:00:00.000Z";

describe("what the program cannot do beside answering", () => {
  it("stands on every page, in words that can be acted on", async () => {
    const words = "The disk is full, and nothing more can be stored.";
    const server = new FakeServer().on(getHealth, {
      ...{ status: "trouble", version: "0.1.0" },
      troubles: [{ what: "the weather station", words, since }],
    });
    renderPage("/", { server });
    expect(await screen.findByText(words, { exact: false })).toHaveTextContent("The weather station: The disk is full");
  });

  it("is not spoken of while all goes well", async () => {
    const server = new FakeServer().on(getHealth, { status: "ok", version: "0.1.0", troubles: [] });
    renderPage("/", { server });
    await screen.findAllByText("Melon bags");
    expect(server.sent(getHealth)).not.toHaveLength(0);
    expect(screen.queryByText(/disk/)).toBeNull();
  });
});
