import { defineConfig } from 'vite';

/** The server and its threads, each one file that runs without a loader; packages from the registry stay outside. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    emptyOutDir: true,
    rolldownOptions: {
      input: {
        main: 'src/main.ts',
        // by the names under which `Thread` starts them
        'judging/judge.worker': 'src/judging/judge.worker.ts',
        'reckoning/reckon.worker': 'src/reckoning/reckon.worker.ts',
        'printing/print.worker': 'src/printing/print.worker.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
