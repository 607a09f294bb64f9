import type { Browser, LaunchOptions } from '@playwright/test';

export const CHROMIUM: { executablePath: string; args: string[] };
/** The command that must be there, and the package that brings it. */
export const CHROMIUM_PACKAGE: Record<string, string>;
export function openChromium(options?: LaunchOptions): Promise<Browser>;
