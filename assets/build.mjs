// Builds the studio's stylesheet and the workbench's script. `node build.mjs --check` fails where a committed one is not current.
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { buildSync } from "esbuild";

const here = dirname(fileURLToPath(import.meta.url));
const out = join(here, "../src/yemba/studio/static/studio");

function styles() {
  return execFileSync(join(here, "node_modules/.bin/tailwindcss"), ["--input", join(here, "studio.css"), "--minify"], {
    cwd: here,
    encoding: "utf8",
    stdio: ["ignore", "pipe", "pipe"],
  });
}

function script() {
  const { outputFiles } = buildSync({
    entryPoints: [join(here, "workbench/workbench.js")],
    bundle: true,
    format: "esm",
    minify: true,
    target: "es2022",
    write: false,
  });
  return outputFiles[0].text;
}

for (const [name, build] of [
  ["studio.css", styles],
  ["workbench.js", script],
]) {
  const file = join(out, name);
  const built = build();
  if (!process.argv.includes("--check")) {
    writeFileSync(file, built);
  } else if (readFileSync(file, "utf8") !== built) {
    console.error(`${name} is not current: run \`npm run build\` in assets/ and commit it.`);
    process.exitCode = 1;
  }
}
