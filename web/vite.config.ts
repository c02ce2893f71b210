import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    chunkSizeWarningLimit: 2000,
    sourcemap: false,
    // These only define things, but do not say so: what nobody uses of them (forms and their checks) stays out.
    rolldownOptions: {
      treeshake: { moduleSideEffects: [{ test: /node_modules\/@rc-component\//, sideEffects: false }] },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4280' } },
});
