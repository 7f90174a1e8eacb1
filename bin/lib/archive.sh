# Runs data/archive/command.ts beside the application that runs. $from is where the caller stands: files are named from there.
archive_command() {
  local verb="$1" own=() word folder="" before=""
  shift
  case " $* " in *" --every "*) folder=1 ;; esac
  for word in "$@"; do
    case "$before" in
      --every | --keep) own+=("$word") ;;
      *)
        case "$word" in
          /* | --*) own+=("$word") ;;
          *.zip) own+=("$from/$word") ;;
          *) own+=("${folder:+$from/}$word") ;;
        esac ;;
    esac
    before="$word"
  done
  prepare_local
  if [ "$1" != --check ] || [ -n "${DATABASE_URL:-}" ] || [ -r "$local_dir/database-port" ]; then
    need_running_database
    export LATTICE_OWNER_DATABASE_URL="$owner_url"
  fi
  exec node --import tsx data/archive/command.ts "$verb" "${own[@]}"
}
