#include "plug/clf_plug.h"

#include <OpenColorIO/OpenColorIO.h>

#include <cmath>
#include <optional>
#include <sstream>
#include <stdexcept>

namespace ocio = OCIO_NAMESPACE;

namespace baryton {

namespace {

constexpr const char* kFormat = "Academy/ASC Common LUT Format";
constexpr std::size_t kMostShaper = 65536;
constexpr int kMostGrid = 129, kSampledGrid = 65, kSampledTones = 4096;

int gridSizeOf(const LutTable& table) {
    return static_cast<int>(std::lround(std::cbrt(static_cast<double>(table.grid.size() / 3))));
}

/// Takes a domain to 0…1; nothing where it is that.
ocio::MatrixTransformRcPtr scaling(const std::array<float, 3>& low, const std::array<float, 3>& high) {
    if (low == std::array{0.0F, 0.0F, 0.0F} && high == std::array{1.0F, 1.0F, 1.0F}) return {};
    double matrix[16] = {}, offset[4] = {};
    for (std::size_t k = 0; k < 3; ++k) {
        const double scale = 1 / (double(high[k]) - double(low[k]));
        matrix[5 * k] = scale, offset[k] = -low[k] * scale;
    }
    matrix[15] = 1;
    auto transform = ocio::MatrixTransform::Create();
    transform->setMatrix(matrix), transform->setOffset(offset);
    return transform;
}

std::string write(const LutTable& table, const std::string& description) {
    auto group = ocio::GroupTransform::Create();
    const auto add = [&](const ocio::TransformRcPtr& transform) {
        if (transform) group->appendTransform(transform);
    };
    if (!table.shaper.empty()) {
        add(scaling(table.shaperMin, table.shaperMax));
        auto lut = ocio::Lut1DTransform::Create(table.shaperSize(), false);
        for (unsigned long i = 0; i < table.shaperSize(); ++i) {
            const float* at = &table.shaper[3 * i];
            lut->setValue(i, at[0], at[1], at[2]);
        }
        lut->setFileOutputBitDepth(ocio::BIT_DEPTH_F32);
        add(lut);
    }
    if (!table.grid.empty()) {
        const auto size = static_cast<unsigned long>(gridSizeOf(table));
        if (size > kMostGrid) throw std::invalid_argument("a CLF file has 129 steps along an edge at the most");
        add(scaling(table.gridMin, table.gridMax));
        auto lut = ocio::Lut3DTransform::Create(size);
        for (unsigned long b = 0; b < size; ++b)
            for (unsigned long g = 0; g < size; ++g)
                for (unsigned long r = 0; r < size; ++r) {
                    const float* at = &table.grid[3 * (r + size * (g + size * b))];
                    lut->setValue(r, g, b, at[0], at[1], at[2]);
                }
        lut->setInterpolation(ocio::INTERP_TETRAHEDRAL);
        lut->setFileOutputBitDepth(ocio::BIT_DEPTH_F32);
        add(lut);
    }
    auto& told = group->getFormatMetadata();
    const std::string title = table.title.empty() ? "Look" : table.title;
    told.addAttribute(ocio::METADATA_ID, title.c_str());
    told.addAttribute(ocio::METADATA_NAME, title.c_str());
    if (!description.empty()) told.addChildElement(ocio::METADATA_DESCRIPTION, description.c_str());
    std::ostringstream text;
    group->write(ocio::Config::CreateRaw(), kFormat, text);
    return text.str();
}

/// Low and high ends that a matrix takes to 0…1; nothing where it does anything else.
bool readScaling(const ocio::MatrixTransform& transform, std::array<float, 3>& low, std::array<float, 3>& high) {
    double matrix[16], offset[4];
    transform.getMatrix(matrix), transform.getOffset(offset);
    for (std::size_t row = 0; row < 4; ++row)
        for (std::size_t column = 0; column < 4; ++column)
            if (row != column && matrix[4 * row + column] != 0) return false;
    for (std::size_t k = 0; k < 3; ++k) {
        if (!(matrix[5 * k] > 0)) return false;
        low[k] = static_cast<float>(-offset[k] / matrix[5 * k]);
        high[k] = static_cast<float>((1 - offset[k]) / matrix[5 * k]);
    }
    return true;
}

/// The steps as tables, where they are no more than that.
std::optional<LutTable> asTables(const ocio::GroupTransform& group) {
    LutTable table;
    std::array<float, 3> low{0, 0, 0}, high{1, 1, 1};
    bool isScaled = false;
    for (int i = 0; i < group.getNumTransforms(); ++i) {
        const auto transform = group.getTransform(i);
        if (transform->getDirection() != ocio::TRANSFORM_DIR_FORWARD) return {};
        if (const auto matrix = std::dynamic_pointer_cast<const ocio::MatrixTransform>(transform)) {
            if (isScaled || !readScaling(*matrix, low, high)) return {};
            isScaled = true;
            continue;
        }
        if (const auto lut = std::dynamic_pointer_cast<const ocio::Lut1DTransform>(transform)) {
            if (!table.shaper.empty() || !table.grid.empty() || lut->getInputHalfDomain() ||
                lut->getHueAdjust() != ocio::HUE_NONE || lut->getLength() > kMostShaper)
                return {};
            table.shaperMin = low, table.shaperMax = high;
            for (unsigned long at = 0; at < lut->getLength(); ++at) {
                float r = 0, g = 0, b = 0;
                lut->getValue(at, r, g, b);
                table.shaper.insert(table.shaper.end(), {r, g, b});
            }
        } else if (const auto grid = std::dynamic_pointer_cast<const ocio::Lut3DTransform>(transform)) {
            if (!table.grid.empty()) return {};
            table.gridMin = low, table.gridMax = high;
            const unsigned long size = grid->getGridSize();
            for (unsigned long b = 0; b < size; ++b)
                for (unsigned long g = 0; g < size; ++g)
                    for (unsigned long r = 0; r < size; ++r) {
                        float red = 0, green = 0, blue = 0;
                        grid->getValue(r, g, b, red, green, blue);
                        table.grid.insert(table.grid.end(), {red, green, blue});
                    }
        } else {
            return {};
        }
        low = {0, 0, 0}, high = {1, 1, 1}, isScaled = false;
    }
    // A scale that ends the chain belongs to no table.
    if (isScaled || (table.shaper.empty() && table.grid.empty())) return {};
    return table;
}

LutTable sampled(const ocio::Processor& processor) {
    LutTable table;
    const bool isPerChannel = !processor.hasChannelCrosstalk();
    std::vector<float>& values = isPerChannel ? table.shaper : table.grid;
    if (isPerChannel) {
        for (int i = 0; i < kSampledTones; ++i) values.insert(values.end(), 3, float(i) / float(kSampledTones - 1));
    } else {
        const auto at = [](int i) { return float(i) / float(kSampledGrid - 1); };
        for (int b = 0; b < kSampledGrid; ++b)
            for (int g = 0; g < kSampledGrid; ++g)
                for (int r = 0; r < kSampledGrid; ++r) values.insert(values.end(), {at(r), at(g), at(b)});
    }
    const auto cpu =
        processor.getOptimizedCPUProcessor(ocio::BIT_DEPTH_F32, ocio::BIT_DEPTH_F32, ocio::OPTIMIZATION_LOSSLESS);
    ocio::PackedImageDesc image(values.data(), static_cast<long>(values.size() / 3), 1, 3);
    cpu->apply(image);
    return table;
}

ClfPlug::Read read(const std::string& file) {
    ClfPlug::Read read;
    ocio::SetLoggingFunction([&read](const char* text) { read.warnings.emplace_back(text); });
    // What was read of a file is kept by its name: each comes by another, and nothing is to stay.
    struct Forget {
        ~Forget() {
            ocio::ClearAllCaches();
            ocio::ResetToDefaultLoggingFunction();
        }
    } forget;
    auto transform = ocio::FileTransform::Create();
    transform->setSrc(file.c_str());
    const auto config = ocio::Config::CreateRaw();
    const auto processor = config->getProcessor(transform);
    const auto group = processor->createGroupTransform();
    if (auto table = asTables(*group)) {
        read.table = std::move(*table);
    } else {
        read.table = sampled(*processor);
        read.steps = read.table.grid.empty() ? ClfPlug::Steps::SampledTones : ClfPlug::Steps::SampledColours;
    }
    const auto& told = group->getFormatMetadata();
    for (const char* name : {ocio::METADATA_NAME, ocio::METADATA_ID})
        if (read.table.title.empty()) read.table.title = told.getAttributeValue(name);
    return read;
}

} // namespace

} // namespace baryton

extern "C" __attribute__((visibility("default"))) const baryton::ClfPlug* barytonClfPlug() {
    static const baryton::ClfPlug plug{baryton::write, baryton::read};
    return &plug;
}
