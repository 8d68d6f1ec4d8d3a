import { defineConfig } from 'vite';

// One self-contained classic script: the sandboxed frame has no origin that modules could be fetched from.
export default defineConfig({
    publicDir: false,
    build: {
        outDir: 'public/build/bridge',
        lib: { entry: 'resources/js/bridge/bridge.ts', formats: ['iife'], name: 'insignumBridge', fileName: () => 'bridge.js' },
    },
});
