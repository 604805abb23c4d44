#include "finish_speed.h"
#include "in_vips.h"
#include "picture/carried_picture.h"
#include "render/base_level.h"
#include "render/program.h"
#include "rows.h"
#include "sample_picture.h"

namespace baryton::bench {

namespace {

using Values = std::map<std::string, Value>;

constexpr int kFew = 3; ///< rounds: some of theirs take seconds

Program alone(const char* id, const Values& values, bool inPrep = false) {
    Grade grade;
    auto& stages = inPrep ? grade.prep : grade.finish;
    stages.push_back(makeStage(grade, id));
    stages.back().parameters = values.empty() ? findStageType(id)->starters : values;
    return Program::compile(grade);
}

/// One stage beside an operation of the library.
void compareStage(const Picture& picture, const std::string& name, const Program& program,
                  const std::function<void()>& theirs, const char* theirName) {
    FrameMap map = FrameMap::whole(picture);
    map.base = BaseLevel::of(picture); // what Wide stages work out on it is kept: the first round does that
    const auto ours = [&] {
        program.run(
            picture, map, [](int, int, int, const float*, const float*, const float*) {}, 2);
    };
    if (!theirs) {
        row(name, sideBySide({ours}, kFew)[0].median);
        return;
    }
    const auto t = sideBySide({ours, theirs}, kFew);
    row(name, t[0].median, times(t[0].median / t[1].median) + " vips, " + theirName);
}

/// What a Wide stage works out on the base level, which compareStage leaves out.
void compareBase(const Picture& picture, const char* id, const Values& values) {
    const auto base = BaseLevel::of(picture);
    Stage stage = makeStage({}, id);
    stage.parameters = values;
    const auto t = sideBySide({[&] { findStageType(id)->compileWide(stage, base->picture()); }}, kFew);
    row("  worked out on the base level", t[0].median);
}

} // namespace

void compareFinish(const Picture& picture) {
    const vips::VImage source = inVips(picture);
    vips_concurrency_set(2);
    const int width = picture.width(), height = picture.height();
    const auto whole = [](vips::VImage image) { image.copy_memory(); };
    // Wide, as it is done where it must be quick: blurred small.
    const auto glow = [&](double sigma) {
        constexpr int part = 8;
        return [&, sigma] {
            whole(source + source.shrink(part, part)
                               .gaussblur(sigma / part)
                               .resize(part, vips::VImage::option()->set("kernel", VIPS_KERNEL_LINEAR)));
        };
    };
    Picture sheet(3000, 2000);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < sheet.height(); ++y)
            for (int x = 0; x < sheet.width(); ++x) sheet.row(k, y)[x] = picture.row(k, 2 * y)[2 * x] * 0.5F;
    const PictureContent content{"sheet", std::make_shared<const std::string>(encodeCarried(sheet))};
    const vips::VImage over = inVips(sheet);
    const auto bicubic = vips::VInterpolate::new_from_name("bicubic");
    const auto screened = [&](const vips::VImage& upper) { whole(source + upper - source * upper); };

    compareStage(
        picture, "Overlay, a picture of 6 MP in Screen", alone("overlay", {{"picture", content}}),
        [&] { screened(over.resize(2, vips::VImage::option()->set("kernel", VIPS_KERNEL_CUBIC))); },
        "resize and screen");
    compareStage(
        picture, "  turned by 20°", alone("overlay", {{"picture", content}, {"turn", 20.0}}),
        [&] {
            const double c = 2 * std::cos(0.349), s = 2 * std::sin(0.349);
            screened(over.affine({c, -s, s, c}, vips::VImage::option()
                                                    ->set("interpolate", bicubic)
                                                    ->set("oarea", std::vector<int>{0, 0, width, height})));
        },
        "affine and screen");
    compareStage(picture, "  in Luminosity",
                 alone("overlay", {{"picture", content}, {"blend", std::string("luminosity")}}), {}, "");
    compareStage(
        picture, "Detail, radius 1 px", alone("detail", {{"amount", 0.8}}),
        [&] { whole(source * 1.8 - source.gaussblur(1) * 0.8); }, "unsharp mask");
    compareStage(picture, "Local contrast", alone("local-contrast", {{"amount", 0.5}}), glow(100),
                 "small blur of 100 px");
    compareBase(picture, "local-contrast", {{"amount", 0.5}});
    compareStage(picture, "Bloom", alone("bloom", {{"amount", 0.5}, {"threshold", 0.6}}), glow(100),
                 "small blur of 100 px");
    compareBase(picture, "bloom", {{"amount", 0.5}, {"threshold", 0.6}});
    compareStage(picture, "Halation", alone("halation", {{"amount", 0.4}}), glow(40), "small blur of 40 px");
    compareBase(picture, "halation", {{"amount", 0.4}});
    compareStage(
        picture, "Vignette", alone("vignette", {{"stops", -1.0}}),
        [&] {
            const vips::VImage place = vips::VImage::xyz(width, height);
            const vips::VImage across = place[0] / width - 0.5, down = place[1] / height - 0.5;
            whole(source * (1 - (across * across + down * down)));
        },
        "a product by place");
    compareStage(
        picture, "Grain, all layers alike", alone("grain", {{"amount", 0.4}, {"colour", 0.0}}),
        [&] { whole(source + vips::VImage::gaussnoise(width, height).gaussblur(1) * 1e-3); }, "noise, blurred");
    compareStage(
        picture, "Grain, a quarter of colour", alone("grain", {{"amount", 0.4}}),
        [&] {
            std::vector<vips::VImage> layers;
            for (int k = 0; k < 3; ++k) layers.push_back(vips::VImage::gaussnoise(width, height));
            whole(source + vips::VImage::bandjoin(layers).gaussblur(1) * 1e-3);
        },
        "three noises, blurred");
    compareStage(
        picture, "Bars", alone("bars", {{"ratio", std::string("2.39:1")}}),
        [&] { whole(source.extract_area(0, 745, width, 2510).embed(0, 745, width, height)); }, "extract and embed");
    compareStage(picture, "Noise, brightness and colour", alone("noise", {}, true), {}, "");
    compareStage(picture, "Defringe", alone("defringe", {}, true), {}, "");
}

} // namespace baryton::bench
