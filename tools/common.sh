# Shared by ./demo, ./start and ./test.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1

need() {
  command -v "$1" >/dev/null 2>&1 || { echo "Inch Burst needs $2 ($1 was not found). Install it and run this again." >&2; exit 1; }
}

need_tools() {
  need dotnet "the .NET 10 SDK"
  need node "Node.js 20 or newer"
  need npm "npm, which comes with Node.js"
}

# What is published is what runs: only publishing compresses what ships and lets browsers keep it. The analyzers take a third of the time and are ./test's.
run=.run/app
quick=(-c Release -v quiet -p:RunAnalyzers=false)

build_web() {
  local log
  log=$(mktemp)
  echo "Building Inch Burst (the first time takes about a minute) ..."
  # Styles and scripts need none of the C#, so they are fetched meanwhile.
  [ -d node_modules/esbuild ] || npm ci --no-audit --no-fund --loglevel=error >"$log.npm" 2>&1 &
  local assets=$!
  if ! { dotnet build src/InchBurst.Data "${quick[@]}" >"$log" 2>&1 && wait "$assets" && dotnet publish src/InchBurst.Web "${quick[@]}" -o "$run" >"$log" 2>&1; }; then
    cat "$log" "$log.npm" >&2 2>/dev/null
    echo "Inch Burst could not be built; the lines above say why." >&2
    exit 1
  fi
  rm -f "$log" "$log.npm"
}

# Core for the browser takes longest to publish and nothing waits for it: pages use it from when it is there.
device=.run/device
build_device() {
  local out
  out=$(mktemp -d)
  if nice -n 10 dotnet publish src/InchBurst.Device "${quick[@]}" -o "$out" >"$out/log" 2>&1; then
    rm -rf "$device.old"
    if [ -d "$device" ]; then mv "$device" "$device.old"; fi
    mkdir -p "$device" && mv "$out/wwwroot/_framework" "$device/framework"
    rm -rf "$device.old" "$out"
  else
    echo "Core for the browser could not be built; trackside goes on with the server alone. $out/log says why." >&2
  fi
}

build_gates() {
  dotnet publish src/InchBurst.GateBox "${quick[@]}" -o .run/gates >.run/gates.log 2>&1 || { cat .run/gates.log >&2; exit 1; }
}

serve() {
  build_web
  build_device </dev/null &
  exec dotnet "$run/InchBurst.Web.dll" --content "$PWD/$run" --device "$PWD/$device/framework" "$@"
}
