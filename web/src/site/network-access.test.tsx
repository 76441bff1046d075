import { getAccess } from "@sprunel/contract/basics";
import { getSetUp } from "@sprunel/contract/site";
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp } from "../testing/sample-site.ts";

const opened = (access: { open: boolean; addresses: string[]; code: string | null }) =>
  renderPage("/set-up?zone=site", { server: new FakeServer().on(getSetUp, setUp([])).on(getAccess, access) });

describe("set-up of the site", () => {
  it("says by which address and code a tablet gets in", async () => {
    opened({ open: true, addresses: ["http://192.168.1.20:5180"], code: "ABCD-EFGH-JKMN" });
    expect(await screen.findByText("ABCD-EFGH-JKMN")).toBeVisible();
    expect(screen.getByText("http://192.168.1.20:5180")).toBeVisible();
  });

  it("says how devices are let in where only this machine is answered", async () => {
    opened({ open: false, addresses: [], code: null });
    expect(await screen.findByText("HOST=0.0.0.0 npm start")).toBeVisible();
  });
});
