import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'tests/browser',
    outputDir: 'storage/playwright/results',
    workers: 1,
    fullyParallel: false,
    // Generous, as machines for continuous integration share their processors: nothing here waits without a reason.
    timeout: 240_000,
    expect: { timeout: 30_000 },
    reporter: [['list']],
    use: {
        baseURL: `http://127.0.0.1:${process.env.PORT ?? 8410}`,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
        trace: 'retain-on-failure',
    },
});
