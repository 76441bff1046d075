import { QueryClientProvider } from "@tanstack/react-query";
import ConfigProvider from "antd/es/config-provider";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";
import { boardQuery } from "./place/use-board.ts";
import { createQueryClient } from "./query-client.ts";
import { routes } from "./routes.tsx";
import { antdTheme } from "./theme/antd-theme.ts";
import "./theme/base.css";

const container = document.getElementById("root");
if (!container) throw new Error("the page has no #root");

const queryClient = createQueryClient();
// A browser that keeps nothing still shows everything.
import("./keep-in-browser.ts").then(({ keepInBrowser }) => keepInBrowser(queryClient)).catch(() => undefined);
// Asked for while the page's own code is still on its way: every page stands on the board.
queryClient.query(boardQuery(new URLSearchParams(location.search).get("date"))).catch(() => undefined);

const router = createBrowserRouter(routes);

createRoot(container).render(
  <StrictMode>
    <ConfigProvider theme={antdTheme} wave={{ disabled: true }}>
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ConfigProvider>
  </StrictMode>,
);
