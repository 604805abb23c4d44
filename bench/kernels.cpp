// The cost of each stage alone, at a strong setting, on one thread: ns per pixel.
#include "picture/carried_picture.h"
#include "render/program.h"
#include "stages/stage_type.h"

#include <benchmark/benchmark.h>
#include <random>

using namespace baryton;

namespace {

/// Every number three quarters of the way from its default to its upper end; curves an S.
Stage strongStage(const StageType& type) {
    Stage stage = makeStage({}, type.id);
    for (const ParameterType& p : type.parameters) {
        if (p.kind == ParameterKind::Number)
            stage.parameters[p.id] = std::get<double>(p.defaultValue) * 0.25 + p.maximum * 0.75;
        if (p.kind == ParameterKind::Toggle) stage.parameters[p.id] = true;
        if (p.kind == ParameterKind::CurveShape)
            stage.parameters[p.id] = Curve{{0, 0.02}, {0.25, 0.2}, {0.7, 0.76}, {1, 0.98}};
        if (p.kind == ParameterKind::Picture) {
            Picture picture(1500, 1000);
            for (int k = 0; k < 3; ++k)
                for (int y = 0; y < picture.height(); ++y)
                    for (int x = 0; x < picture.width(); ++x)
                        picture.row(k, y)[x] = static_cast<float>((x * 7 + y * 13 + k * 29) % 256) / 255;
            stage.parameters[p.id] =
                PictureContent{"bench", std::make_shared<const std::string>(encodeCarried(picture))};
        }
        if (p.kind == ParameterKind::LutFile) {
            auto table = std::make_shared<LutTable>();
            for (int i = 0; i < 33 * 33 * 33 * 3; ++i) table->grid.push_back(static_cast<float>(i % 97) / 97);
            stage.parameters[p.id] = LutContent{"bench", table};
        }
    }
    return stage;
}

void runStage(benchmark::State& state, const StageType* type) {
    constexpr int width = 2048, height = 256;
    Picture picture(width, height);
    std::minstd_rand random(1);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) picture.row(k, y)[x] = static_cast<float>(random() % 4096) / 4095;
    Grade grade;
    grade.finish.push_back(strongStage(*type));
    const Program program = Program::compile(grade);
    for (auto _ : state)
        program.run(
            picture, FrameMap::whole(picture),
            [](int, int, int, const float* r, const float*, const float*) { benchmark::DoNotOptimize(*r); }, 1);
    state.counters["ns/pixel"] = benchmark::Counter(static_cast<double>(state.iterations()) * width * height * 1e-9,
                                                    benchmark::Counter::kIsRate | benchmark::Counter::kInvert);
}

} // namespace

int main(int argc, char** argv) {
    for (const StageType* type : stageTypes())
        benchmark::RegisterBenchmark(type->id.c_str(), runStage, type)->Unit(benchmark::kMillisecond);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
