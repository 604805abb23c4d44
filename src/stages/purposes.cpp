#include "stages/purposes.h"
#include "base/words.h"

#include <algorithm>
#include <utility>

namespace baryton {

std::string purposesOf(const std::string& type) {
    static constexpr std::pair<const char*, const char*> all[] = {
        {"raw", marked("develop, camera, sensor, negative, demosaic, white balance, highlight recovery, blown, flat, "
                       "log, dng")},
        {"noise", marked("denoise, noise reduction, high iso, speckles, blotches, smooth, clean")},
        {"defringe", marked("chromatic aberration, purple fringe, green fringe, colour seam, edges, lens")},
        {"lens", marked("distortion, barrel, pincushion, lateral chromatic aberration, vignetting, corner shading, "
                        "falloff, profile, wide angle, bent lines")},
        {"frame", marked("crop, cut, trim, level, straighten, horizon, rotate, turn, mirror, flip, upside down, "
                         "ratio, format, reframe, panorama, perspective, keystone, converging lines, architecture")},
        {"exposure", marked("brighter, darker, lighten, darken, burn, dodge, stop, too dark, too bright")},
        {"white-balance", marked("colour cast, too blue, too yellow, neutral grey, lamp light, daylight, kelvin")},
        {"warmth", marked("warmer, cooler, cold, evening, sunset, golden, winter, cosy")},
        {"tone", marked("contrast, flat, punch, highlights, shadows, burn, burnt out, blown, recover, soft, matte, "
                        "faded, fade, haze, roll off, too bright, too dark")},
        {"levels", marked("black point, white point, gamma, haze, fog, paper, print, lift, faded, fade, matte")},
        {"curves", marked("contrast, s curve, matte, faded, fade, lifted blacks, soft, cross process, burn, dodge")},
        {"wheels", marked("colour balance, shadows, midtones, highlights, tint, mood, cinema, teal, grade")},
        {"split-tone", marked("two colours, duotone, tint, shadows, highlights, mood, faded, old photograph")},
        {"hue-bands", marked("one colour, change a colour, selective, skin, sky, grass, leaves, autumn, skin tone")},
        {"push-table", marked("selective, colour cast, complementary, cyan, magenta, yellow, ink, density, autumn")},
        {"saturation", marked("vivid, colourful, muted, pastel, quiet, faded, fade, soft, grey, desaturate, skin")},
        {"gamut",
         marked("clipping, clipped colours, too colourful, neon, lost folds, out of range, hold in, printable")},
        {"primaries", marked("camera, calibrate, turn colours, other look, orange, teal")},
        {"channel-mix", marked("swap colours, infrared, cross process, matrix, mixer")},
        {"monochrome", marked("black and white, grey, mono, old photograph, sepia, ink, filter, vintage")},
        {"gradient-map", marked("duotone, two colours, sepia, old photograph, vintage, poster, fade, faded")},
        {"fill", marked("gel, lamp, haze, fog, solid, paint, graduated, sky, blend, flat")},
        {"film-response",
         marked("film, analogue, print, negative, slide, old photograph, vintage, faded, fade, soft, "
                "nostalgia")},
        {"lut", marked("cube, 3dl, look file, table, load")},
        {"bloom", marked("glow, haze, dreamy, soft light, lamps, stars, mist, diffusion, soft focus")},
        {"detail", marked("sharpen, sharp, sharpness, clear, crisp, blur, soften, texture, unsharp, high pass")},
        {"local-contrast", marked("structure, texture, haze, mist, punch, clear, soften, fog, micro contrast")},
        {"halation", marked("glow, red edge, film, lamps, analogue, warm seam, night, old photograph")},
        {"vignette", marked("dark corners, burn, edges, frame, spotlight, focus, old photograph")},
        {"overlay", marked("texture, dust, scratches, steam, smoke, snow, rain, paper, light leak, flare, double "
                           "exposure, logo, signature, picture in picture, layer a picture")},
        {"grain", marked("film, noise, analogue, texture, old photograph, vintage, gritty, banding, print")},
        {"bars", marked("letterbox, black border, cinema, wide screen, band, title, mask, format, ratio")},
    };
    const auto* found =
        std::find_if(std::begin(all), std::end(all), [&](const auto& each) { return each.first == type; });
    if (found == std::end(all)) return {};
    const std::string english = found->second, own = words(english);
    return own == english ? english : english + ", " + own;
}

} // namespace baryton
