import { defineConfig } from '@playwright/test';
import journeys from './playwright.config';

/** What other programs make of the documents: it needs some of them installed, and time. */
export default defineConfig({ ...journeys, testDir: 'documents', workers: 1 });
