// Builds the studio's stylesheet. `node build.mjs --check` fails where the committed one is not current.
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const here = dirname(fileURLToPath(import.meta.url));
const out = join(here, "../src/yemba/studio/static/studio/studio.css");
const built = execFileSync(
  join(here, "node_modules/.bin/tailwindcss"),
  ["--input", join(here, "studio.css"), "--minify"],
  { cwd: here, encoding: "utf8", stdio: ["ignore", "pipe", "pipe"] },
);
if (process.argv.includes("--check")) {
  if (readFileSync(out, "utf8") !== built) {
    console.error("studio.css is not current: run `npm run build` in assets/ and commit it.");
    process.exit(1);
  }
} else {
  writeFileSync(out, built);
}
