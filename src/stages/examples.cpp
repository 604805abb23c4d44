#include "stages/examples.h"

#include "picture/carried_picture.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// Discs of warm light on black.
PictureContent ringsOfLight() {
    constexpr int width = 360, height = 240;
    struct Disc {
        float x, y, radius;
    };
    constexpr Disc discs[] = {{40, 60, 58}, {120, 170, 40}, {205, 70, 32}, {300, 150, 66}, {345, 30, 44}};
    Picture picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            float light = 0;
            for (const Disc& disc : discs) {
                const float from = std::hypot(static_cast<float>(x) - disc.x, static_cast<float>(y) - disc.y);
                const float inside = std::clamp((disc.radius - from) / 4, 0.0F, 1.0F);
                light += inside * (0.3F + 0.35F * from / disc.radius); // brighter toward the rim
            }
            picture.row(0, y)[x] = std::min(light, 1.0F);
            picture.row(1, y)[x] = std::min(light * 0.72F, 1.0F);
            picture.row(2, y)[x] = std::min(light * 0.4F, 1.0F);
        }
    return {"discs of light", std::make_shared<const std::string>(encodeCarried(picture))};
}

} // namespace

std::map<std::string, Value> exampleOf(const std::string& type) {
    using Values = std::map<std::string, Value>;
    static const std::map<std::string, Values> all = [] {
        LutTable negative; // plain to see
        for (int i = 0; i < 8; ++i)
            for (int k = 0; k < 3; ++k) negative.grid.push_back((i >> k) % 2 ? 0.15F : 0.9F);
        const LutContent lut{"negative", std::make_shared<const LutTable>(negative)};
        return std::map<std::string, Values>{

            {"raw", {{"white", std::string("set")}, {"temperature", 9000.0}}},
            {"noise", {{"luma", 0.3}, {"colour", 0.7}}},
            {"defringe", {{"purple", 1.0}, {"green", 1.0}, {"reach", 3.0}, {"edge", 0.1}}},
            {"lens", {{"barrel", 0.12}, {"corners", 1.0}}},
            {"frame", {{"ratio", std::string("2:1")}, {"size", 0.8}, {"angle", -6.0}}},
            {"exposure", {{"stops", 1.3}}},
            {"white-balance", {{"temperature", 10500.0}}},
            {"warmth", {{"warmth", 40.0}}},
            {"tone", {{"contrast", 0.8}, {"black.end", -0.6}, {"white.end", 0.5}}},
            {"levels", {{"rgb.in.black", 0.25}, {"rgb.in.white", 0.8}, {"rgb.gamma", 1.2}}},
            {"curves", {{"rgb", Curve{{0, 0.06}, {0.25, 0.18}, {0.7, 0.78}, {1, 0.97}}}}},
            {"wheels",
             {{"shadows.hue", 350.0},
              {"shadows.amount", 0.4},
              {"highlights.hue", 150.0},
              {"highlights.amount", 0.3}}},
            {"split-tone",
             {{"shadows.hue", 340.0},
              {"shadows.amount", 0.4},
              {"highlights.hue", 130.0},
              {"highlights.amount", 0.3}}},
            {"hue-bands",
             {{"band5.centre", 130.0}, {"band5.width", 60.0}, {"band5.shift", -40.0}, {"band5.saturation", -0.2}}},
            {"push-table", {{"row1.yellow.blue", 0.5}, {"row3.yellow.blue", -0.5}, {"row2.density", 0.2}}},
            {"saturation", {{"overall", -0.6}, {"guard.hue", 29.0}, {"guard.strength", 1.0}}},
            {"gamut", {{"amount", 1.0}, {"knee", 0.4}, {"reach", 3.0}}},
            {"primaries", {{"red.turn", 20.0}, {"green.turn", -20.0}, {"blue.reach", -0.3}}},
            {"channel-mix", {{"green.from.green", 0.5}, {"green.from.red", 0.5}}},
            {"monochrome", {{"amount", 1.0}, {"red.lightness", 0.8}, {"blue.lightness", -0.8}}},
            {"gradient-map",
             {{"amount", 0.8},
              {"stop1.r", 0.12},
              {"stop1.g", 0.16},
              {"stop1.b", 0.12},
              {"stop2.r", 0.98},
              {"stop2.g", 0.82},
              {"stop2.b", 0.78}}},
            {"fill", {{"fill", std::string("gradient")}, {"turn", 20.0}}},
            {"film-response", {{"response", std::string("fairground")}}},
            {"lut", {{"file", lut}}},
            {"bloom", {{"amount", 0.9}, {"threshold", 0.55}, {"reach", 25.0}}},
            {"detail", {{"amount", 2.0}, {"radius", 2.5}, {"halo.guard", 0.0}}},
            {"local-contrast", {{"amount", 1.0}, {"reach", 40.0}}},
            {"halation", {{"amount", 1.0}, {"threshold", 0.6}, {"reach", 10.0}}},
            {"vignette", {{"stops", -1.5}}},
            {"overlay", {{"picture", ringsOfLight()}}},
            {"grain", {{"amount", 0.9}, {"size", 0.8}, {"colour", 0.4}}},
            {"bars", {{"ratio", std::string("2.39:1")}}},
        };
    }();
    const auto at = all.find(type);
    return at == all.end() ? Values{} : at->second;
}

} // namespace baryton
