#include "stages/purposes.h"
#include "base/words.h"

#include <algorithm>
#include <iterator>

namespace baryton {

namespace {

struct Purpose {
    const char *type, *searched, *use;
};

const Purpose* purposeOf(const std::string& type) {
    static constexpr Purpose all[] = {
        {"raw",
         marked(
             "develop, camera, sensor, negative, demosaic, white balance, highlight recovery, blown, flat, log, dng"),
         marked("It is there from the start for a camera's raw file. Say here what light was white, and take Flat "
                "where a film response or a strong curve follows.")},
        {"noise", marked("denoise, noise reduction, high iso, speckles, blotches, smooth, clean"),
         marked("For pictures taken in little light, before anything makes the specks stand out. It can be set "
                "by measuring the picture; less than what takes all of them away is mostly enough.")},
        {"defringe", marked("chromatic aberration, purple fringe, green fringe, colour seam, edges, lens"),
         marked("Where bare twigs or a roof stand against a bright sky with a purple line along them.")},
        {"lens",
         marked("distortion, barrel, pincushion, lateral chromatic aberration, vignetting, corner shading, falloff, "
                "profile, wide angle, bent lines"),
         marked("For walls and horizons that bend, and corners that are darker than the middle. One press takes back "
                "what is known of the lens.")},
        {"frame",
         marked("crop, cut, trim, level, straighten, horizon, rotate, turn, mirror, flip, upside down, ratio, "
                "format, reframe, panorama, perspective, keystone, converging lines, architecture"),
         marked(
             "For a level horizon, uprights that stand, and the proportions of the page. What is outside is kept.")},
        {"exposure", marked("brighter, darker, lighten, darken, burn, dodge, stop, too dark, too bright"),
         marked("For a picture that is too dark or too bright as a whole. In Prep it is this picture's own; in the "
                "Look it belongs to the style.")},
        {"white-balance", marked("colour cast, too blue, too yellow, neutral grey, lamp light, daylight, kelvin"),
         marked(
             "For a picture with a cast that is nobody's wish: press the picker on something that should be grey.")},
        {"warmth", marked("warmer, cooler, cold, evening, sunset, golden, winter, cosy"),
         marked("For a style that is cooler or warmer than the picture, whatever light it was taken in.")},
        {"tone",
         marked("contrast, flat, punch, highlights, shadows, burn, burnt out, blown, recover, soft, matte, faded, "
                "fade, haze, roll off, too bright, too dark"),
         marked("The first thing to try for a flat or a hard picture: the four ranges of brightness, each moved by "
                "itself without losing the folds.")},
        {"levels", marked("black point, white point, gamma, haze, fog, paper, print, lift, faded, fade, matte"),
         marked("To set where black and white lie: haze taken off, or paper that cannot print a full black.")},
        {"curves", marked("contrast, s curve, matte, faded, fade, lifted blacks, soft, cross process, burn, dodge"),
         marked("For contrast drawn by hand, and for colours that differ between darks and lights: a faded black, a "
                "cool shadow.")},
        {"wheels", marked("colour balance, shadows, midtones, highlights, tint, mood, cinema, teal, grade"),
         marked(
             "For the mood of a scene: darks to one colour, lights to the one across from it. Small pulls go far.")},
        {"split-tone", marked("two colours, duotone, tint, shadows, highlights, mood, faded, old photograph"),
         marked("For two colours and a balance between them, where wheels would be more than is wanted.")},
        {"hue-bands", marked("one colour, change a colour, selective, skin, sky, grass, leaves, autumn, skin tone"),
         marked("For one colour among the others: a curtain, leaves, skin. Press on the picture to find its band.")},
        {"push-table", marked("selective, colour cast, complementary, cyan, magenta, yellow, ink, density, autumn"),
         marked(
             "For families of colour moved by hand in the terms of ink, mostly to take a cast out of one family.")},
        {"saturation", marked("vivid, colourful, muted, pastel, quiet, faded, fade, soft, grey, desaturate, skin"),
         marked("For more or less colour as a whole. Muted colours alone spares what is colourful already.")},
        {"gamut",
         marked("clipping, clipped colours, too colourful, neon, lost folds, out of range, hold in, printable"),
         marked("At the end of a Look with strong colours: holds in what a file or a printer could not show, and "
                "keeps its folds.")},
        {"primaries", marked("camera, calibrate, turn colours, other look, orange, teal"),
         marked(
             "To make a camera's colours another camera's, and for styles that turn all hues of one kind together.")},
        {"channel-mix", marked("swap colours, infrared, cross process, matrix, mixer"),
         marked("For swapped channels, infrared, and other mixtures of what red, green and blue hold.")},
        {"monochrome", marked("black and white, grey, mono, old photograph, sepia, ink, filter, vintage"),
         marked("For black and white: say how light each colour becomes, so that a red coat and green grass are not "
                "one grey.")},
        {"gradient-map", marked("duotone, two colours, sepia, old photograph, vintage, poster, fade, faded"),
         marked("For duotones and printed looks: every brightness gets the colour that the gradient has there.")},
        {"fill", marked("gel, lamp, haze, fog, solid, paint, graduated, sky, blend, flat"),
         marked("For haze, a coloured gel, a graduated sky: one colour or two, laid over by a mode and a strength.")},
        {"film-response",
         marked("film, analogue, print, negative, slide, old photograph, vintage, faded, fade, soft, nostalgia"),
         marked(
             "For the way of film and print: how light fades into white and black, with the colours of its layers.")},
        {"lut", marked("cube, 3dl, look file, table, load"),
         marked("For a look that came as a file. Say what space it is meant for, and how much of it is wanted.")},
        {"bloom", marked("glow, haze, dreamy, soft light, lamps, stars, mist, diffusion, soft focus"),
         marked("For lamps, mist and windows that glow into what is beside them.")},
        {"detail", marked("sharpen, sharp, sharpness, clear, crisp, blur, soften, texture, unsharp, high pass"),
         marked("To make structure crisper or softer. Judge it at 100 %.")},
        {"local-contrast", marked("structure, texture, haze, mist, punch, clear, soften, fog, micro contrast"),
         marked("For haze and flat light: the large forms stand out, without the blacks and whites moving.")},
        {"halation", marked("glow, red edge, film, lamps, analogue, warm seam, night, old photograph"),
         marked("For the warm seam that film has round a lamp.")},
        {"vignette", marked("dark corners, burn, edges, frame, spotlight, focus, old photograph"),
         marked("To lead the eye: the corners become darker or lighter, round a middle that you place.")},
        {"overlay",
         marked("texture, dust, scratches, steam, smoke, snow, rain, paper, light leak, flare, double exposure, "
                "logo, signature, picture in picture, layer a picture"),
         marked("For steam, paper, scratches or a mark: another picture laid over this one.")},
        {"grain", marked("film, noise, analogue, texture, old photograph, vintage, gritty, banding, print"),
         marked("For texture like that of film, and to hide steps in a smooth sky.")},
        {"bars", marked("letterbox, black border, cinema, wide screen, band, title, mask, format, ratio"),
         marked("For a wide frame within another format, and a band for a title.")},
    };
    const auto* found =
        std::find_if(std::begin(all), std::end(all), [&](const Purpose& each) { return each.type == type; });
    return found == std::end(all) ? nullptr : found;
}

} // namespace

std::string purposesOf(const std::string& type) {
    const Purpose* purpose = purposeOf(type);
    if (!purpose) return {};
    const std::string english = purpose->searched, own = words(english);
    return own == english ? english : english + ", " + own;
}

std::string useOf(const std::string& type) {
    const Purpose* purpose = purposeOf(type);
    return purpose ? words(purpose->use) : std::string();
}

} // namespace baryton
