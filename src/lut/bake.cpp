#include "lut/bake.h"
#include "base/parallel.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/mask_links.h"
#include "lut/colour_rows.h"

#include <algorithm>

namespace baryton {

namespace {

CompileOptions lookOnly(bool withPrep) {
    return {withPrep, true, true, true};
}

/// The numbers that a file of this picture holds: what a LUT is made for.
Picture heldToFile(Picture picture) {
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < picture.height(); ++y) {
            float* row = picture.row(k, y);
            for (int x = 0; x < picture.width(); ++x) row[x] = std::clamp(row[x], 0.0F, 1.0F);
        }
    return picture;
}

/// CIEDE2000 between what two programs make of a picture, in the first plane.
Picture apartBetween(const Picture& input, const Program& exact, const Program& lut, const Task* task) {
    const Picture a = exact.graded(input, 0, task), b = lut.graded(input, 0, task);
    const auto clipped = [](const Picture& p, int x, int y) {
        Vec3 v;
        for (int k = 0; k < 3; ++k) v[static_cast<std::size_t>(k)] = std::clamp(p.row(k, y)[x], 0.0F, 1.0F);
        return labFromSrgb(v);
    };
    Picture apart(input.width(), input.height());
    float* const plane = apart.row(0, 0);
    forRows(input.height(), [&](int y) {
        if (task && task->isCancelled()) return;
        float* const out = plane + apart.stride() * static_cast<std::size_t>(y);
        for (int x = 0; x < input.width(); ++x)
            out[x] = static_cast<float>(deltaE2000(clipped(a, x, y), clipped(b, x, y)));
    });
    if (task) task->throwIfCancelled();
    return apart;
}

/// Changes the order.
double percentile99Of(std::vector<float>& all) {
    const auto at = all.begin() + static_cast<std::ptrdiff_t>((all.size() - 1) * 99 / 100);
    std::nth_element(all.begin(), at, all.end());
    return *at;
}

Difference differenceOver(const Program& exact, const Program& lut, const std::vector<Picture>& inputs,
                          const Task* task) {
    std::vector<float> all;
    Difference result;
    double sum = 0;
    for (const Picture& each : inputs) {
        const Picture input = heldToFile(each), apart = apartBetween(input, exact, lut, task);
        for (int y = 0; y < input.height(); ++y) {
            for (int x = 0; x < input.width(); ++x) {
                const float e = apart.row(0, y)[x];
                sum += e;
                all.push_back(e);
                if (e > result.worst) {
                    result.worst = e;
                    for (int k = 0; k < 3; ++k) result.worstAt[static_cast<std::size_t>(k)] = input.row(k, y)[x];
                }
            }
        }
    }
    result.samples = all.size();
    if (all.empty()) return result;
    result.mean = sum / static_cast<double>(all.size());
    result.percentile99 = percentile99Of(all);
    return result;
}

} // namespace

LutTable bakeLook(const Grade& grade, int size, const std::string& title, const BakeOptions& options) {
    const LutSpaces& spaces = options.spaces;
    if (size < 2 || size > 129)
        throw Error("", "", inWords("a grid of {} is outside 2…129", size),
                    words("choose 33, or 65 for a strong look"));
    const auto n = static_cast<std::size_t>(size), count = n * n * n;
    Picture nodes = colourRows(count);
    const auto width = static_cast<std::size_t>(nodes.width());
    std::vector<float> level(n);
    for (std::size_t i = 0; i < n; ++i) level[i] = static_cast<float>(i) / static_cast<float>(n - 1);
    std::size_t r = 0, g = 0, b = 0;
    for (std::size_t start = 0; start < count; start += width) {
        const int y = static_cast<int>(start / width);
        float *red = nodes.row(0, y), *green = nodes.row(1, y), *blue = nodes.row(2, y);
        for (std::size_t x = 0; x < std::min(width, count - start); ++x) {
            red[x] = level[r], green[x] = level[g], blue[x] = level[b];
            if (++r < n) continue;
            r = 0;
            if (++g < n) continue;
            g = 0, ++b;
        }
    }
    const Picture out = fromWorking(
        spaces.writes,
        Program::compile(grade, lookOnly(options.withPrep)).graded(toWorking(spaces.gridReads(), std::move(nodes))));
    LutTable table;
    if (spaces.needsShaper()) {
        constexpr int entries = 4096;
        for (int i = 0; i < entries; ++i)
            table.shaper.insert(table.shaper.end(), 3, static_cast<float>(linearToSrgb(double(i) / (entries - 1))));
    }
    table.title = title;
    table.grid.resize(count * 3);
    float* node = table.grid.data();
    for (std::size_t start = 0; start < count; start += width) {
        const int y = static_cast<int>(start / width);
        const float *red = out.row(0, y), *green = out.row(1, y), *blue = out.row(2, y);
        for (std::size_t x = 0; x < std::min(width, count - start); ++x)
            *node++ = red[x], *node++ = green[x], *node++ = blue[x];
    }
    return table;
}

WithoutPlaces withoutPlaces(const Grade& grade) {
    WithoutPlaces result{grade, {}};
    resolveLinks(result.grade.look);
    for (Layer& layer : result.grade.look) {
        if (!layer.isMasked() || layer.mask->seesOnlyColours()) continue;
        layer.mask.reset();
        if (layer.isEnabled() && layer.strengthOrFull() > 0) result.layers.push_back(layer.name);
    }
    return result;
}

Grade lutGrade(const LutTable& table, const std::string& name, const LutSpaces& spaces) {
    Grade grade;
    Layer layer;
    layer.id = "layer-1";
    layer.name = name;
    Stage stage = makeStage(grade, "lut");
    stage.parameters["file"] = LutContent{name, std::make_shared<const LutTable>(table)};
    const auto idOf = [](Encoding encoding) { return encodings()[static_cast<std::size_t>(encoding)].id; };
    if (spaces.reads != Encoding::Srgb) stage.parameters["reads"] = idOf(spaces.reads);
    if (spaces.writes != Encoding::Srgb) stage.parameters["writes"] = idOf(spaces.writes);
    layer.stages.push_back(std::move(stage));
    grade.look.push_back(std::move(layer));
    return grade;
}

namespace {

Fidelity fidelityBetween(const Program& exact, const Program& other, const std::vector<Picture>& pictures,
                         const Task* task) {
    constexpr std::size_t count = 32768;
    ColoursByChance chance(20260101);
    std::vector<std::array<float, 3>> colours;
    for (std::size_t i = 0; i < count; ++i) colours.push_back(chance.anywhere());
    const Picture sample = colourRows(colours);
    return {differenceOver(exact, other, {sample}, task), differenceOver(exact, other, pictures, task)};
}

} // namespace

Fidelity measureFidelity(const LutTable& table, const Grade& grade, const std::vector<Picture>& pictures,
                         const BakeOptions& options, const Task* task) {
    return fidelityBetween(Program::compile(grade, lookOnly(options.withPrep)),
                           Program::compile(lutGrade(table, "LUT", options.spaces)), pictures, task);
}

Picture missedOn(const Picture& picture, const LutTable& table, const Grade& grade, const BakeOptions& options,
                 const Task* task) {
    return apartBetween(heldToFile(picture), Program::compile(grade, lookOnly(options.withPrep)),
                        Program::compile(lutGrade(table, "LUT", options.spaces)), task);
}

Picture apartOn(const Picture& picture, const Grade& one, const Grade& other, const Task* task) {
    return apartBetween(heldToFile(picture), Program::compile(one, lookOnly(false)),
                        Program::compile(other, lookOnly(false)), task);
}

Difference differenceIn(const Picture& apart) {
    std::vector<float> all;
    for (int y = 0; y < apart.height(); ++y) all.insert(all.end(), apart.row(0, y), apart.row(0, y) + apart.width());
    Difference result;
    result.samples = all.size();
    for (const float e : all) {
        result.mean += e / static_cast<double>(all.size());
        result.worst = std::max<double>(result.worst, e);
    }
    result.percentile99 = percentile99Of(all);
    return result;
}

Fidelity compareLooks(const Grade& grade, const Grade& other, const std::vector<Picture>& pictures,
                      const Task* task) {
    return fidelityBetween(Program::compile(grade, lookOnly(false)), Program::compile(other, lookOnly(false)),
                           pictures, task);
}

} // namespace baryton
