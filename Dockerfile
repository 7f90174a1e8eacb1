# The application as an image: built once, run as many times as there are machines. PostgreSQL is another's (compose.yaml, or managed).
FROM node:22-bookworm-slim AS build
WORKDIR /app
COPY package.json package-lock.json ./
RUN npm ci --include=dev --no-audit --no-fund
COPY . .
RUN NEXT_TELEMETRY_DISABLED=1 npm run build

FROM node:22-bookworm-slim
ENV NODE_ENV=production NEXT_TELEMETRY_DISABLED=1
WORKDIR /app
COPY --from=build --chown=node:node /app /app
USER node
EXPOSE 4600
HEALTHCHECK --interval=10s --timeout=5s --start-period=30s CMD ["node", "-e", "fetch('http://127.0.0.1:4600/healthz').then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))"]
# Serves; `node_modules/.bin/tsx data/setup.ts --without-demo` in the same image brings the database up to date first.
CMD ["node", "node_modules/next/dist/bin/next", "start", "-H", "0.0.0.0", "-p", "4600"]
