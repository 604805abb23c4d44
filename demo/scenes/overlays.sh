#!/usr/bin/env bash
# Makes the pictures that are there to be laid over others, with libvips' command line: steam on black, and paper.
set -euo pipefail
out=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)/overlays
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir -p "$out"
cd "$work"
width=1500 height=1060 # the lowest rows of noise are no whole cells

# A sum of noises, each half as coarse and half as strong as the one before.
clouds() { # NAME SEED COARSEST COUNT
  local cell=$3 share=1 sum="" i
  for ((i = 0; i < $4; i++)); do
    vips perlin "$1-$i.v" $width $height --cell-size "$cell" --seed $(($2 + i))
    vips linear "$1-$i.v" "$1-s$i.v" "$share" 0
    if [ -z "$sum" ]; then cp "$1-s$i.v" "$1.v"; else vips add "$1.v" "$1-s$i.v" "$1-t.v" && mv "$1-t.v" "$1.v"; fi
    sum=1 cell=$((cell / 2)) share=$(awk "BEGIN { print $share * 0.58 }")
  done
}

# Steam rises from the middle of the lower edge, wider and thinner as it goes.
clouds steam 11 320 6
vips xyz place.v $width $height
vips extract_band place.v x.v 0
vips extract_band place.v y.v 1
vips linear x.v side.v 0.0022 " -1.65"            # −1.65 … 1.65 across
vips linear y.v up.v " -0.001" 1                  # 1 at the top, 0 at the bottom
vips linear up.v wide.v 0.75 0.3               # how wide it is at each height
vips linear steam.v sway.v 0.28 0
vips add side.v sway.v swayed.v
vips divide swayed.v wide.v from.v
vips multiply from.v from.v square.v
vips linear square.v falls.v " -1" 0
vips math falls.v column.v exp
vips linear steam.v wisps.v 0.95 0.34
vips multiply column.v wisps.v plume.v
vips linear up.v fade.v " -0.55" 1
vips multiply plume.v fade.v thin.v
vips linear thin.v scaled.v 235 0
vips cast scaled.v grey.v uchar
vips bandjoin "grey.v grey.v grey.v" rgb.v
vips copy rgb.v srgb.v --interpretation srgb
vips extract_area srgb.v whole.v 0 0 $width 1000
vips jpegsave whole.v "$out/steam.jpg" --Q 90 --strip

# Paper: fibres as noise drawn out in two directions, a little yellow.
clouds sheet 31 400 3
vips gaussnoise fine.v $width $height --sigma 1 --mean 0 --seed 5
vips gaussblur fine.v soft.v 1.4
vips gaussnoise long.v $width $height --sigma 1 --mean 0 --seed 6
vips resize long.v fibres.v 4 --vscale 1 --kernel cubic
vips extract_area fibres.v cut.v 2000 0 $width $height
vips linear sheet.v a.v 5 228
vips linear soft.v b.v 14 0
vips linear cut.v c.v 5 0
vips add a.v b.v ab.v
vips add ab.v c.v abc.v
vips linear abc.v g.v 0.985 0
vips linear abc.v bl.v 0.93 0
vips bandjoin "abc.v g.v bl.v" sheet3.v
vips cast sheet3.v sheet8.v uchar
vips copy sheet8.v paper.v --interpretation srgb
vips extract_area paper.v upper.v 0 0 $width 1000
vips jpegsave upper.v "$out/paper.jpg" --Q 85 --strip
