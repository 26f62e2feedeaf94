import { defineConfig } from 'vite'

/**
 * The server as plain JavaScript, which starts in half the time: the process itself, its threads,
 * and the commands.
 */
export default defineConfig({
  logLevel: 'warn',
  build: {
    ssr: true,
    target: 'node20',
    sourcemap: true,
    minify: false,
    rollupOptions: {
      input: {
        main: 'src/main.ts',
        thread: 'src/threads/work.ts',
        backupCommand: 'src/backupCommand.ts',
        restoreCommand: 'src/restoreCommand.ts',
        planFile: 'src/planFile.ts',
      },
      // All in one folder: the pool finds where a thread begins beside itself.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
})
