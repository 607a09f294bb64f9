import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwind()],
  build: { outDir: 'dist/web', emptyOutDir: true, target: 'es2022' },
  worker: { format: 'es' },
});
