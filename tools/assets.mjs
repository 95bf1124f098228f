// Copies what ships from npm into wwwroot and compiles the theme. Run by the Web project's build.
import { mkdirSync, copyFileSync, writeFileSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
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
writeFileSync(join(css, "site.css"), built.css);
writeFileSync(join(lib, ".stamp"), new Date().toISOString());
