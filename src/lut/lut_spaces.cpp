#include "lut/lut_spaces.h"
#include "base/parallel.h"
#include "colour/transfer.h"

namespace baryton {

namespace {

std::array<float, 3> asFloats(const Vec3& v) {
    return {static_cast<float>(v[0]), static_cast<float>(v[1]), static_cast<float>(v[2])};
}

template <class Convert>
Picture converted(Picture rows, Convert convert) {
    for (int k = 0; k < 3; ++k) rows.row(k, 0); // its own pixels before threads write to them
    forRows(rows.height(), [&](int y) {
        float* planes[] = {rows.row(0, y), rows.row(1, y), rows.row(2, y)};
        for (int x = 0; x < rows.width(); ++x) {
            const auto rgb = convert(std::array{planes[0][x], planes[1][x], planes[2][x]});
            for (std::size_t k = 0; k < 3; ++k) planes[k][x] = rgb[k];
        }
    });
    return rows;
}

} // namespace

std::array<float, 3> toWorking(Encoding from, const std::array<float, 3>& rgb) {
    if (from == Encoding::Srgb) return rgb;
    static const auto back = [] {
        std::vector<Mat3> all;
        for (const EncodingType& type : encodings()) all.push_back(inverse(toEncodingPrimaries(type.encoding)));
        return all;
    }();
    Vec3 light{};
    for (std::size_t k = 0; k < 3; ++k) light[k] = decode(from, double(rgb[k]));
    Vec3 working = back[static_cast<std::size_t>(from)] * light;
    for (double& v : working) v = linearToSrgb(v);
    return asFloats(working);
}

std::array<float, 3> fromWorking(Encoding to, const std::array<float, 3>& rgb) {
    if (to == Encoding::Srgb) return rgb;
    Vec3 light{};
    for (std::size_t k = 0; k < 3; ++k) light[k] = srgbToLinear(double(rgb[k]));
    light = toEncodingPrimaries(to) * light;
    for (double& v : light) v = encode(to, v);
    return asFloats(light);
}

Picture toWorking(Encoding from, Picture rows) {
    if (from == Encoding::Srgb) return rows;
    return converted(std::move(rows), [from](const std::array<float, 3>& rgb) { return toWorking(from, rgb); });
}

Picture fromWorking(Encoding to, Picture rows) {
    if (to == Encoding::Srgb) return rows;
    return converted(std::move(rows), [to](const std::array<float, 3>& rgb) { return fromWorking(to, rgb); });
}

std::string nameOf(const LutSpaces& spaces) {
    return encodings()[static_cast<std::size_t>(spaces.reads)].name + " → " +
           encodings()[static_cast<std::size_t>(spaces.writes)].name;
}

} // namespace baryton
