// Lens: takes back what a lens did to places and light. It touches no colour of its own: whoever holds a picture
// places it by these settings, together with its frame (see picture/lens_map.h).
#include "stages/lens.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

namespace baryton {

namespace {

/// Fringes are told in thousandths.
constexpr double kThousandth = 0.001;

/// A Lens stage's parameters as they stand in it.
struct LensParameters {
    std::string lens;
    double distortion = 0, fringes = 0, shading = 0;
    double barrel = 0, red = 0, blue = 0, corners = 0;

    LensSettings settings() const {
        return {true, lens, distortion, fringes, shading, barrel, red * kThousandth, blue * kThousandth, corners};
    }
};

SettingList<LensParameters> lensParameters() {
    using namespace describe;
    using P = LensParameters;
    return {
        {&P::lens, text("lens", "Lens", "Whose corrections are used; none: those of the lens that the file names.")},
        {&P::distortion,
         percent(
             "distortion", "Distortion", 0, 100, 0,
             "How much of what is known of the lens's distortion is taken back: straight lines come out straight.")},
        {&P::fringes, percent("fringes", "Fringes", 0, 100, 0,
                              "How much of what is known of the lens's seams of red and cyan, blue and yellow is "
                              "taken back, which grow toward the corners.")},
        {&P::shading, percent("shading", "Corner shading", 0, 100, 0,
                              "How much of what is known of the lens's darker corners is taken back.")},
        {&P::barrel, percent("barrel", "Barrel", -12, 12, 0,
                             "By hand, beside what is known: to the right straightens lines that bend outward, to "
                             "the left those that bend inward.")},
        {&P::red, number("red", "Red fringe", -5, 5, 0.05, 0,
                         "By hand: makes the red picture larger or smaller, in thousandths, until red and cyan "
                         "seams are gone.")},
        {&P::blue, number("blue", "Blue fringe", -5, 5, 0.05, 0,
                          "By hand: makes the blue picture larger or smaller, in thousandths, until blue and yellow "
                          "seams are gone.")},
        {&P::corners, stops("corners", "Corner light", 2, "By hand: light added in the corners, or taken away.")}};
}

} // namespace

LensSettings lensOf(const Stage& stage) {
    static const auto list = lensParameters();
    return readSettings(list, stage).settings();
}

LensSettings lensOf(const Grade& grade) {
    for (const Stage& stage : grade.prep) {
        const double strength = stage.strengthOrFull();
        if (stage.type != kLensType || !stage.isEnabled() || strength <= 0) continue;
        LensSettings all = lensOf(stage);
        for (double* part :
             {&all.distortion, &all.fringes, &all.shading, &all.barrel, &all.red, &all.blue, &all.corners})
            *part *= strength;
        return all;
    }
    return {};
}

const StageType& lensType() {
    using P = LensParameters;
    static const StageType type = stageType<P>({
        .id = kLensType,
        .name = "Lens",
        .summary = "Takes back what the lens did: bent lines, seams of colour, dark corners.",
        .parts = {Part::Prep},
        .footprint = Footprint::Source,
        .settings = lensParameters(),
        .isNeutral =
            [](const P& p) {
                return p.distortion == 0 && p.fringes == 0 && p.shading == 0 && p.barrel == 0 && p.red == 0 &&
                       p.blue == 0 && p.corners == 0;
            },
        .starters = {{"distortion", 1.0}, {"fringes", 1.0}, {"shading", 1.0}},
    });
    return type;
}

} // namespace baryton
