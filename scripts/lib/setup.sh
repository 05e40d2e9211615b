# Sourced by ./start and ./verify: brings a fresh Debian machine with Node 20 to where Up Fit builds and runs.

say() { printf '\n== %s\n' "$*"; }

need_node() {
  if ! command -v node >/dev/null || ! node -e 'const [a, b] = process.versions.node.split("."); process.exit(a > 20 || (a == 20 && b >= 9) ? 0 : 1)'; then
    echo "Up Fit needs Node 20.9 or later: install it from nodejs.org or your distribution, then run this again." >&2
    exit 1
  fi
}

# Installs what the lock file names, unless this very lock file is installed already.
install_packages() {
  local stamp=node_modules/.up-fit-installed
  if ! cmp -s package-lock.json "$stamp" 2>/dev/null; then
    say "Installing packages"
    npm ci --no-audit --no-fund
    cp package-lock.json "$stamp"
  else
    node scripts/prepare.mjs
  fi
}

# From Debian's packages: Chromium and ChromeDriver for the tests that drive the real interface, and programs that write
# and read files independently of Up Fit.
install_tools() {
  local missing=0 tool
  for tool in /usr/bin/chromium /usr/bin/chromedriver pdfinfo convert exiftool gs tiffinfo qpdf transicc pngcheck; do
    command -v "$tool" >/dev/null || missing=1
  done
  [ "$missing" = 1 ] || return 0
  say "Installing Chromium, and programs the tests compare with"
  local sudo=""
  [ "$(id -u)" = 0 ] || sudo="sudo"
  $sudo apt-get update -qq
  $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium chromium-driver poppler-utils \
    imagemagick libimage-exiftool-perl ghostscript libtiff-tools qpdf liblcms2-utils pngcheck >/dev/null
}

# Draws the demo and measures all of it, unless what it is made by is the same.
make_demo() {
  local stamp=public/demo/made-by sum
  sum=$(sha256sum dist/demo/main.mjs package-lock.json)
  [ "$(cat "$stamp" 2>/dev/null)" = "$sum" ] || { node dist/demo/main.mjs && echo "$sum" >"$stamp"; }
}

# Builds the application, unless nothing it is built from has changed, and makes the demo beside it.
build_app() {
  local stamp=.next/up-fit-built sum demo
  sum=$(find src scripts public package-lock.json next.config.ts tsconfig.json postcss.config.mjs \
    -path public/demo -prune -o -path public/offline.js -o -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum)
  say "Making the demo and building"
  make_demo &
  demo=$!
  [ "$(cat "$stamp" 2>/dev/null)" = "$sum" ] ||
    { NEXT_TELEMETRY_DISABLED=1 npm run -s build && echo "$sum" >"$stamp"; } || return 1
  wait "$demo"
}
