# test: everything that decides whether a change may land, on a bare machine too; the parts slow and documents only when named.

PARTS="lint types unit browser"

run_tests() {
  local wanted=${*:-$PARTS} part
  for part in $wanted; do
    [[ " $PARTS slow documents " == *" $part "* ]] || fail "There is no part “$part”. The parts are: $PARTS, slow and documents."
  done
  require_node
  require_npm_packages
  passed=0
  failed=0
  results=$(mktemp -d)
  trap 'clean_up_tests' EXIT
  trap 'exit 130' INT TERM
  [[ " $wanted " == *" lint "* ]] && run_check "lint" npm run --silent lint && run_check "unused code" npm run --silent unused
  [[ " $wanted " == *" types "* ]] && run_check "types" npm run --silent types
  if [[ " $wanted " == *" unit "* || " $wanted " == *" browser "* || " $wanted " == *" documents "* || " $wanted " == *" slow "* ]]; then start_test_database; fi
  [[ " $wanted " == *" unit "* ]] && run_counted "unit and server tests" unit \
    npx vitest run --reporter=default --reporter=json --outputFile.json="$results/unit.json"
  [[ " $wanted " == *" slow "* ]] && run_counted "simulated sizes and coverages, requests at random" slow \
    npx vitest run --config vitest.slow.config.ts --reporter=default --reporter=json --outputFile.json="$results/slow.json"
  if [[ " $wanted " == *" slow "* ]]; then
    require_chromium
    require_build
    # Where nothing else runs beside it the promise itself is held; in the browser part only what stalls.
    IVLEN_JOURNEYS=all IVLEN_ANSWERS_WITHIN_MS=100 PLAYWRIGHT_JSON_OUTPUT_NAME=$results/answers.json run_counted "answers to others meanwhile" answers \
      npx playwright test --config e2e/playwright.config.ts --reporter=list,json answers-meanwhile
    IVLEN_JOURNEYS=slow PLAYWRIGHT_JSON_OUTPUT_NAME=$results/slow-journeys.json run_counted "slow journeys" slow-journeys \
      npx playwright test --config e2e/playwright.config.ts --reporter=list,json
  fi
  if [[ " $wanted " == *" browser "* ]]; then
    require_chromium
    require_build
    PLAYWRIGHT_JSON_OUTPUT_NAME=$results/browser.json run_counted "browser tests" browser \
      npx playwright test --config e2e/playwright.config.ts --reporter=list,json
  fi
  if [[ " $wanted " == *" documents "* ]]; then
    require_chromium
    require_build
    command -v soffice >/dev/null || require_debian libreoffice-writer-nogui "LibreOffice Writer"
    command -v pdftotext >/dev/null || require_debian poppler-utils "the PDF tools"
    command -v lualatex >/dev/null && [ -n "$(kpsewhich luaotfload-main.lua)" ] || require_debian texlive-luatex LuaLaTeX
    [ -n "$(kpsewhich caption.sty)" ] || require_debian texlive-latex-recommended "the packages of LaTeX"
    [ -n "$(kpsewhich lmodern.sty)" ] || require_debian lmodern "the letters of LaTeX"
    PLAYWRIGHT_JSON_OUTPUT_NAME=$results/documents.json run_counted "documents in other programs" documents \
      npx playwright test --config e2e/documents.config.ts --reporter=list,json
  fi
  printf '%s passed, %s failed\n' "$passed" "$failed"
  [ "$failed" -eq 0 ]
}

# A check that passes or fails as a whole.
run_check() {
  say "== $1"
  if "${@:2}" >&2; then passed=$((passed + 1)); else failed=$((failed + 1)); fi
}

# Tests that write how many of them passed and failed.
run_counted() {
  local name=$1 report=$2 status=0 counts
  say "== $name"
  "${@:3}" >&2 || status=$?
  counts=$(node scripts/count-results.mjs "$results/$report.json" 2>/dev/null) || counts="0 0"
  passed=$((passed + ${counts% *}))
  failed=$((failed + ${counts#* }))
  # A runner that broke down without reporting a failure has failed all the same.
  if [ "$status" -ne 0 ] && [ "${counts#* }" -eq 0 ]; then failed=$((failed + 1)); fi
  if [ "$counts" = "0 0" ] && [ "$status" -eq 0 ]; then failed=$((failed + 1)); fi
  return 0
}

start_test_database() {
  require_postgres
  local folder
  folder=$(mktemp -d "${TMPDIR:-/var/tmp}/ivlen-test.XXXXXX")
  chmod 755 "$folder"
  test_cluster=$folder
  local place
  place=$(cluster_place "$folder/pg")
  # A throw-away cluster need not survive a power cut.
  make_cluster "$place" 'fsync = off' 'synchronous_commit = off' 'full_page_writes = off' 'max_connections = 200'
  start_cluster
  export IVLEN_TEST_DATABASE_URL=$PG_URL
}

clean_up_tests() {
  if [ -n "${test_cluster:-}" ]; then
    stop_cluster
    rm -rf "$test_cluster" "$(dirname "$PG_DATA")"
  fi
  rm -rf "$results"
}

require_chromium() {
  [ -x /usr/bin/chromium ] || require_debian chromium Chromium
}
