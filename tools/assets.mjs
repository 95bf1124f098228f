// Copies what ships from npm into wwwroot, compiles the theme and bundles the scripts, each page's into one. Run by the Web project's build.
import { createHash } from "node:crypto";
import { mkdirSync, copyFileSync, readFileSync, writeFileSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import * as esbuild from "esbuild";
import * as sass from "sass";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const web = join(root, "src/InchBurst.Web");
const lib = join(web, "wwwroot/lib");
const css = join(web, "wwwroot/css");

const files = {
  "@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2": "archivo-latin.woff2",
  "@fontsource-variable/archivo/files/archivo-latin-ext-wdth-normal.woff2": "archivo-latin-ext.woff2",
  "htmx.org/dist/htmx.min.js": "htmx.min.js",
  "sortablejs/modular/sortable.esm.js": "sortable.esm.js",
};

rmSync(join(lib, "pages"), { recursive: true, force: true });
mkdirSync(lib, { recursive: true });
rmSync(css, { recursive: true, force: true });
mkdirSync(css, { recursive: true });
for (const [from, to] of Object.entries(files)) {
  copyFileSync(join(root, "node_modules", from), join(lib, to));
}
const built = sass.compile(join(web, "Styles/site.scss"), {
  style: "compressed",
  loadPaths: [join(root, "node_modules")],
  quietDeps: true,
  silenceDeprecations: ["import", "global-builtin", "color-functions", "if-function"],
});
// A font is fetched under the version of its bytes, the same one as the page says when it asks for it early, and kept for good.
const versioned = (text) => text.replace(/(\.\.\/lib\/)([\w-]+\.woff2)/g, (_, folder, file) => `${folder}${file}?v=${createHash("sha256").update(readFileSync(join(lib, file))).digest("hex").slice(0, 12)}`);
writeFileSync(join(css, "site.css"), versioned(built.css));
await esbuild.build({
  entryPoints: ["desk", "builder-page", "reading-worker", "trackside-page", "review-page", "loads-page", "week-page", "minutes-page", "drill-page", "pose-page", "film-page"].map((page) => join(web, `wwwroot/js/${page}.js`)),
  outdir: join(lib, "pages"),
  bundle: true,
  minify: true,
  splitting: true,
  format: "esm",
  target: "es2022",
  chunkNames: "[hash]",
  legalComments: "none",
});
// Passwords that are known from breaches, as many as the shortest allowed one is long or nearly: what is guessed first is refused.
const passwords = JSON.parse(readFileSync(join(root, "node_modules/@zxcvbn-ts/language-common/src/passwords.json"), "utf8"));
mkdirSync(join(web, "Files"), { recursive: true });
writeFileSync(join(web, "Files/passwords.txt"), passwords.filter((word) => word.length >= 5).join("\n"));
// The guide is read by the program too; its pictures ship with it.
const guide = readFileSync(join(root, "docs/guide.md"), "utf8");
writeFileSync(join(web, "Files/guide.md"), guide);
mkdirSync(join(lib, "guide"), { recursive: true });
for (const [, picture] of guide.matchAll(/\]\((screenshots\/[\w-]+\.png)\)/g)) {
  copyFileSync(join(root, "docs", picture), join(lib, "guide", picture.split("/")[1]));
}
writeFileSync(join(lib, ".stamp"), new Date().toISOString());
