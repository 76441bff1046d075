import type { ThemeConfig } from "antd/es/config-provider";

/** The product's own look on the library's controls; the same colours as in base.css. */
export const antdTheme: ThemeConfig = {
  token: {
    colorPrimary: "#1f4e5f",
    colorInfo: "#1f4e5f",
    colorLink: "#1f4e5f",
    colorError: "#a84a20",
    colorWarning: "#8a6212",
    colorSuccess: "#4f7f3a",
    colorWarningBg: "#fbf1dc",
    colorWarningBorder: "#e2cfa0",
    colorText: "#14251f",
    colorTextSecondary: "#56655e",
    colorTextDescription: "#56655e",
    colorTextPlaceholder: "#5c6a63",
    colorBgBase: "#fffdf8",
    colorBgLayout: "#f7f4ec",
    colorBorder: "#b9b3a4",
    colorBorderSecondary: "#ddd6c8",
    fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
    fontSize: 14,
    borderRadius: 8,
    controlHeight: 40,
    motion: false,
  },
};
