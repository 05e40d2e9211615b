declare module '*/scripts/lib/app.mjs' {
  export function startApp(options: {
    demo: boolean;
  }): Promise<{ address: string; stop: () => Promise<void> }>;
}
declare module '*/scripts/lib/browser.mjs' {
  import type { WebDriver } from 'selenium-webdriver';
  export function openBrowser(options?: {
    profile?: string;
    downloads?: string;
    width?: number;
    height?: number;
  }): Promise<WebDriver>;
  export function openDemo(browser: WebDriver, address: string): Promise<void>;
}
