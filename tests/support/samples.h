#pragma once
#include "grade/preset.h"
#include "picture/picture_file.h"
#include "stages/stage_type.h"

#include <filesystem>
#include <initializer_list>
#include <random>
#include <utility>

namespace baryton::test {

using Random = std::mt19937;

double uniform(Random& random, double low, double high);

/// A picture of random colours, the first rows from −1 to 4, the rest from 0 to 1. Always the same for one seed.
Picture randomPicture(int width, int height, unsigned seed = 1);
/// A picture with ramps, edges and flat parts in many colours.
Picture paintedPicture(int width, int height);

/// A night with lamps of a few pixels, a bright window, grain and fine lines: what glows and what is sharpened.
Picture lampsAtNight(int width, int height);

/// A value within a parameter's range; for curves, a rising one within 0…1.
Value randomValue(Random& random, const ParameterType& parameter);
/// A mask of one to four drawn shapes, some of them taking away or intersecting, some turned round; with ranges of
/// tones and colours among them by choice.
Mask randomMask(Random& random, bool withRanges = false);
/// A brushed shape of a few strokes, some of which erase.
MaskBrush randomBrush(Random& random);
/// A stage with each parameter set with the given likelihood, sometimes with a strength.
Stage randomStage(Random& random, const Grade& grade, const std::string& type, double likelihood = 0.7);
/// A grade with Prep, one to three layers of up to four stages each, and Finish.
Grade randomGrade(Random& random);
/// A grade with these stages and their parameters in Finish.
Grade finishOf(std::initializer_list<std::pair<std::string, std::map<std::string, Value>>> stages);
/// A preset with one stage, Exposure.
Preset exposurePreset(const std::string& name, double stops = 0.5);

/// Writes a picture as a plain file, without metadata: 8 bits a channel, or as many as the format says.
void writePlain(const std::filesystem::path& file, const Picture& picture, const OutputFormat& format);

/// The largest difference of any channel of two pictures of one size.
double largestDifference(const Picture& a, const Picture& b);
/// Mean CIEDE2000 between two pictures of one size, held to what a file has.
double meanApart(const Picture& a, const Picture& b);
bool sameBytes(const Picture& a, const Picture& b);

/// One colour through one stage kernel, at the middle of the frame.
Vec3 throughKernel(const Kernel& kernel, const Vec3& rgb);
/// The stage's kernel, made from its parameters.
Kernel kernelOf(const Stage& stage);

} // namespace baryton::test
