#include "support/samples.h"
#include "colour/spaces.h"
#include "picture/carried_picture.h"
#include "stages/blend.h"

#include <algorithm>
#include <cmath>
#include <cstring>

namespace baryton::test {

double uniform(Random& random, double low, double high) {
    return low + (high - low) * (static_cast<double>(random()) / 4294967296.0);
}

Picture randomPicture(int width, int height, unsigned seed) {
    Random random(seed);
    Picture picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int k = 0; k < 3; ++k) {
            float* row = picture.row(k, y);
            const bool wild = y < height / 4;
            for (int x = 0; x < width; ++x)
                row[x] = static_cast<float>(wild ? uniform(random, -1, 4) : uniform(random, 0, 1));
        }
    return picture;
}

Picture paintedPicture(int width, int height) {
    Picture picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double u = double(x) / width, v = double(y) / height;
            const bool flat = v > 0.7;
            picture.row(0, y)[x] = static_cast<float>(flat ? 0.2 + 0.6 * (x / 16 % 2) : u);
            picture.row(1, y)[x] = static_cast<float>(flat ? 0.4 : 0.5 + 0.5 * std::sin(9 * u + 3 * v));
            picture.row(2, y)[x] = static_cast<float>(flat ? 0.9 - 0.8 * (y / 16 % 2) : v);
        }
    return picture;
}

Picture lampsAtNight(int width, int height) {
    Picture picture(width, height);
    Random random(3);
    const double unit = std::max(width, height) / 1000.0;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double u = x / unit, v = y / unit;
            const bool isWindow = u > 600 && u < 700 && v > 200 && v < 320;
            const bool isLamp = std::hypot(std::fmod(u, 130) - 60, std::fmod(v, 170) - 80) < 4;
            const double lines = 0.05 * std::sin(u * 0.9) * std::sin(v * 0.7);
            for (int k = 0; k < 3; ++k)
                picture.row(k, y)[x] =
                    static_cast<float>(isWindow ? 0.95 - 0.1 * k
                                       : isLamp ? 1.0
                                                : 0.22 + 0.05 * k + lines + uniform(random, -0.02, 0.02));
        }
    return picture;
}

Grade finishOf(std::initializer_list<std::pair<std::string, std::map<std::string, Value>>> stages) {
    Grade grade;
    for (const auto& [type, values] : stages) {
        Stage stage = makeStage(grade, type);
        stage.parameters = values;
        grade.finish.push_back(std::move(stage));
    }
    return grade;
}

double meanApart(const Picture& a, const Picture& b) {
    double sum = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            Vec3 u, v;
            for (int k = 0; k < 3; ++k) {
                u[static_cast<std::size_t>(k)] = std::clamp(a.row(k, y)[x], 0.0F, 1.0F);
                v[static_cast<std::size_t>(k)] = std::clamp(b.row(k, y)[x], 0.0F, 1.0F);
            }
            sum += deltaE2000(labFromSrgb(u), labFromSrgb(v));
        }
    return sum / (double(a.width()) * a.height());
}

Value randomValue(Random& random, const ParameterType& parameter) {
    switch (parameter.kind) {
    case ParameterKind::Toggle:
        return random() % 2 == 0;
    case ParameterKind::Choice:
        return parameter.options[random() % parameter.options.size()].id;
    case ParameterKind::CurveShape: {
        const auto count = 2 + random() % 5;
        Curve curve;
        for (std::size_t i = 0; i < count; ++i)
            curve.push_back({(double(i) + uniform(random, 0.1, 0.9)) / double(count), uniform(random, 0, 1)});
        curve.front().x = 0;
        curve.back().x = 1;
        return curve;
    }
    case ParameterKind::LutFile: {
        auto table = std::make_shared<LutTable>();
        for (int i = 0; i < 27 * 3; ++i) table->grid.push_back(static_cast<float>(uniform(random, 0, 1)));
        return LutContent{"random", table};
    }
    case ParameterKind::Picture: {
        Picture small(3, 2);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < 2; ++y)
                for (int x = 0; x < 3; ++x) small.row(k, y)[x] = static_cast<float>(uniform(random, 0, 1));
        return PictureContent{"random", std::make_shared<const std::string>(encodeCarried(small))};
    }
    case ParameterKind::Mask:
        return randomMask(random, true);
    case ParameterKind::Text:
        return "text " + std::to_string(random() % 100);
    case ParameterKind::Number:
        break;
    }
    return uniform(random, parameter.minimum, parameter.maximum);
}

MaskBrush randomBrush(Random& random) {
    MaskBrush brush;
    brush.ceiling = random() % 3 == 0 ? uniform(random, 0.3, 1) : 1;
    for (auto strokes = 1 + random() % 5; strokes > 0; --strokes) {
        MaskStroke stroke;
        stroke.size = uniform(random, 0.02, 0.2), stroke.softness = uniform(random, 0.05, 1);
        stroke.flow = random() % 2 ? 1 : uniform(random, 0.2, 1), stroke.erases = random() % 4 == 0;
        for (auto points = 1 + random() % 6; points > 0; --points)
            stroke.points.push_back({std::round(uniform(random, -0.2, 1.2) * 1e5) / 1e5,
                                     std::round(uniform(random, -0.2, 1.2) * 1e5) / 1e5,
                                     std::round(uniform(random, 0.3, 1) * 100) / 100});
        brush.strokes.push_back({std::make_shared<const MaskStroke>(std::move(stroke))});
    }
    return brush;
}

Mask randomMask(Random& random, bool withRanges) {
    Mask mask;
    const auto place = [&] { return uniform(random, -0.3, 1.3); };
    for (auto left = 1 + random() % 4; left > 0; --left) {
        MaskShape shape;
        const auto kind = random() % (withRanges ? 5 : 3);
        if (kind == 2)
            shape.form = randomBrush(random);
        else if (kind == 3)
            shape.form = MaskTones{uniform(random, 0, 0.5), uniform(random, 0.3, 1), uniform(random, 0.05, 0.5)};
        else if (kind == 4)
            shape.form = MaskColours{uniform(random, 0, 360), uniform(random, 10, 360),  uniform(random, 15, 90),
                                     uniform(random, 0, 0.1), uniform(random, 0.1, 0.4), uniform(random, 0.02, 0.1),
                                     uniform(random, 0, 0.5), uniform(random, 0.4, 1),   uniform(random, 0.05, 0.3)};
        else if (kind == 1)
            shape.form = MaskEllipse{place(),
                                     place(),
                                     uniform(random, 0.05, 0.6),
                                     uniform(random, 0.05, 0.6),
                                     uniform(random, -180, 180),
                                     uniform(random, 0, 1)};
        else
            shape.form = MaskRamp{place(), place(), place(), place()};
        shape.way = static_cast<MaskShape::Way>(random() % 3);
        shape.isInverted = random() % 4 == 0;
        mask.shapes.push_back(shape);
    }
    mask.isInverted = random() % 3 == 0;
    if (random() % 3 == 0) mask.density = uniform(random, 0.2, 1);
    return mask;
}

Stage randomStage(Random& random, const Grade& grade, const std::string& type, double likelihood) {
    Stage stage = makeStage(grade, type);
    for (const ParameterType& p : findStageType(type)->parameters)
        if (uniform(random, 0, 1) < likelihood) stage.parameters[p.id] = randomValue(random, p);
    if (random() % 4 == 0) stage.strength = uniform(random, 0, 1);
    if (random() % 8 == 0) stage.enabled = random() % 2 == 0;
    return stage;
}

Grade randomGrade(Random& random) {
    Grade grade;
    std::vector<std::string> inLook;
    for (const StageType* type : stageTypes()) {
        if (type->standsIn(Part::Prep)) grade.prep.push_back(randomStage(random, grade, type->id));
        if (type->standsIn(Part::Look)) inLook.push_back(type->id);
        if (type->standsIn(Part::Finish)) grade.finish.push_back(randomStage(random, grade, type->id));
    }
    const auto layers = 1 + random() % 3;
    for (std::size_t l = 0; l < layers; ++l) {
        grade.look.emplace_back();
        grade.look.back().id = freeId(grade, "layer");
        grade.look.back().name = "Layer " + std::to_string(l);
        if (random() % 3 == 0) grade.look.back().strength = uniform(random, 0, 1);
        if (random() % 2) grade.look.back().blend = blendModes()[random() % blendModes().size()].id;
        const auto stages = random() % 5;
        for (std::size_t s = 0; s < stages; ++s)
            grade.look.back().stages.push_back(randomStage(random, grade, inLook[random() % inLook.size()]));
    }
    return grade;
}

Preset exposurePreset(const std::string& name, double stops) {
    Preset preset;
    preset.name = name;
    preset.carried.prep.push_back(makeStage({}, "exposure"));
    preset.carried.prep[0].parameters["stops"] = stops;
    return preset;
}

void writePlain(const std::filesystem::path& file, const Picture& picture, const OutputFormat& format) {
    QuantisedPicture quantised(picture.width(), picture.height(), 3, format.bits);
    for (int y = 0; y < picture.height(); ++y)
        quantised.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr);
    writePicture(file, quantised, {}, format);
}

double largestDifference(const Picture& a, const Picture& b) {
    double most = 0;
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < a.height(); ++y)
            for (int x = 0; x < a.width(); ++x)
                most = std::max(most, std::abs(double(a.row(k, y)[x]) - b.row(k, y)[x]));
    return most;
}

bool sameBytes(const Picture& a, const Picture& b) {
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < a.height(); ++y)
            if (std::memcmp(a.row(k, y), b.row(k, y), static_cast<std::size_t>(a.width()) * sizeof(float)) != 0)
                return false;
    return true;
}

Kernel kernelOf(const Stage& stage) {
    return findStageType(stage.type)->compile(stage);
}

Vec3 throughKernel(const Kernel& kernel, const Vec3& rgb) {
    if (kernel.matrix) return *kernel.matrix * rgb;
    alignas(64) float planes[3][kRowPad];
    for (std::size_t k = 0; k < 3; ++k)
        std::fill(std::begin(planes[k]), std::end(planes[k]), static_cast<float>(rgb[k]));
    Block block;
    block.r = planes[0], block.g = planes[1], block.b = planes[2];
    block.count = kRowPad;
    kernel.run(kernel.constants.get(), block);
    return {planes[0][0], planes[1][0], planes[2][0]};
}

} // namespace baryton::test
