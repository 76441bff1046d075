import { getBoard, type Board } from "@sprunel/contract/today";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import ConfigProvider from "antd/es/config-provider";
import { createMemoryRouter, RouterProvider } from "react-router";
import { keepsRefused, waitsForServer } from "../http/kept.ts";
import { routes } from "../routes.tsx";
import { antdTheme } from "../theme/antd-theme.ts";
import { FakeServer } from "./fake-server.ts";
import { board } from "./sample-site.ts";

/** The whole application at an address, over a server that answers as a test lets it; it knows the board already. */
export function renderPage(address: string, { shown = board(), server = new FakeServer() }: RenderOptions = {}) {
  server.on(getBoard, shown);
  const router = createMemoryRouter(routes, { initialEntries: [address] });
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false, networkMode: "always" }, mutations: { networkMode: "always" } },
  });
  waitsForServer(client);
  keepsRefused(client);
  const user = userEvent.setup({ delay: null });
  const view = render(
    <ConfigProvider theme={{ ...antdTheme, zeroRuntime: true }} wave={{ disabled: true }}>
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ConfigProvider>,
  );
  const at = (): string => `${router.state.location.pathname}${router.state.location.search}`;
  return { ...view, server, user, at };
}

interface RenderOptions {
  readonly shown?: Board;
  readonly server?: FakeServer;
}
