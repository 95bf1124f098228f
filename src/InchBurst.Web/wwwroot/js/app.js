// One small module a behaviour. Pages work without them; they make work faster.
import "./requests.js";
import "./forms.js";
import "./builder.js";
import "./trackside.js";
import "./offline.js";
