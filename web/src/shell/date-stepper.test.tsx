import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { board, site } from "../testing/sample-site.ts";

describe("the day that is looked at", () => {
  it("stands without its year in the year of the nursery, and leads back to today from another day", async () => {
    const shown = board();
    const year = shown.today.slice(0, 4);
    const { user, at } = renderPage(`/?date=${year}-02-03`, { shown });
    expect(await screen.findByText(/^\w{3} 3 Feb$/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "today" }));
    expect(at()).toBe("/");
  });

  it("stands with its year in another one", async () => {
    renderPage("/?date=2031-01-01");
    expect(await screen.findByText("Wed 1 Jan 2031")).toBeVisible();
  });

  it("is named as simulated on every page where nobody measured its weather, and only there", async () => {
    const view = renderPage("/", { shown: board({ weatherSimulated: true }) });
    expect(await screen.findByRole("link", { name: "simulated weather" })).toHaveAttribute("href", "/weather");
    view.unmount();
    renderPage("/", { shown: board() });
    await screen.findAllByText("Melon bags");
    expect(screen.queryByRole("link", { name: "simulated weather" })).toBeNull();
  });

  it("is named as one that no forecast reaches, where the last weeks' weather stands in for it", async () => {
    const shown = board({ weatherSimulated: true });
    renderPage("/", { shown: { ...shown, hours: shown.hours.map((hour) => ({ ...hour, origin: "again" })) } });
    expect(await screen.findByText("no forecast yet")).toBeVisible();
    expect(screen.queryByRole("link", { name: "simulated weather" })).toBeNull();
  });

  it("is written as the site writes its dates", async () => {
    renderPage("/?date=2031-01-01", { shown: board({ site: { ...site, dateForm: "mdy" } }) });
    expect(await screen.findByText("Wed, Jan 1, 2031")).toBeVisible();
  });
});
