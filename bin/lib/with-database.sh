#!/usr/bin/env bash
# Runs a command with a database of its own, unless LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL name one.
set -euo pipefail
cd "$(dirname "$0")/../.."
. bin/lib/common.sh

[ "${1:-}" != --help ] && [ $# -gt 0 ] || { say "Usage: bin/lib/with-database.sh COMMAND ...

Starts a PostgreSQL on loopback for the command and stops it afterwards."; exit 0; }
if [ -z "${LATTICE_OWNER_DATABASE_URL:-}" ]; then
  check_node
  prepare_local
  processes_file=/dev/null
  trap stop_database EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM
  need_postgres
  need_node_modules
  start_database bench
  export LATTICE_OWNER_DATABASE_URL="$owner_url" LATTICE_APP_DATABASE_URL="$app_url"
  LATTICE_SESSION_SECRET="${LATTICE_SESSION_SECRET:-$session_secret}"
  export LATTICE_SESSION_SECRET
fi
"$@"
