#!/bin/bash
# The true masks of objects in the demo pictures, as 1-bit PNGs of the pictures' size.
#   object-masks.sh OUTDIR [NAME ...]
# Needs: povray + povray-includes, libvips-tools.
# A scene's distances are rendered twice, with the object and without it: it is seen where they differ.
set -eu
here=$(cd "$(dirname "$0")" && pwd)
out=$1
shift
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir -p "$out"
# scene|width|height|the end of the line that puts the object there
while IFS='|' read -r scene width height line; do
  name=${scene#*-}
  if [ $# -gt 0 ]; then case " $* " in *" $name "*) ;; *) continue ;; esac; fi
  [ "$(grep -cF "$line" "$here/$scene.pov")" = 1 ] || { echo "$name: no one line ends in $line" >&2; exit 1; }
  python3 - "$here/$scene.pov" "$work/without.pov" "$line" <<'PY'
import sys
text, line = open(sys.argv[1]).read(), sys.argv[3]
assert line.endswith('}')
open(sys.argv[2], 'w').write(text.replace(line, line[:-1] + 'no_image }'))
PY
  for pass in with without; do
    source=$here/$scene.pov
    [ $pass = with ] || source=$work/without.pov
    (cd "$work" && povray "$source" "+L$here" Declare=DEPTH=1 +FN16 "+O$pass.png" +W"$width" +H"$height" -A +Q9 -D \
      >"$pass.log" 2>&1) || { tail -5 "$work/$pass.log" >&2; exit 1; }
  done
  vips subtract "$work/with.png" "$work/without.png" "$work/d.v"
  vips abs "$work/d.v" "$work/a.v"
  vips bandmean "$work/a.v" "$work/m.v"
  vips relational_const "$work/m.v" "$work/o.v" more 0
  vips pngsave "$work/o.v" "$out/$name.png" --bitdepth 1 --compression 9
  echo "$name: $(vips avg "$work/o.v") of 255"
done <<'EOT'
08-backstage-mixed|1800|1200|translate <-1.9,0,-.9> }
04-meadow-cart|1800|1200|rotate y*10 translate <3.1,0,-3> }
11-snow-yard|1800|1200|rotate y*-6 translate <-1.7,.0,-.8> }
05-lake-fog|1800|1200|translate <.6,-.12,0> }
01-workshop-window|1800|1200|scale 1.45 translate <.55,0,-.3> }
03-lantern-alley|1800|1200|rotate y*14 translate <2.1,0,-1.2> }
EOT
