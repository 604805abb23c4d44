#pragma once
#include "grade/lut_table.h"
#include "lut/lut_spaces.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

enum class LutFormat { Cube, ThreeDl, Clf };
/// In the order in which they are offered; those that can be written here.
std::vector<LutFormat> lutFormats();
/// "cube", "3dl", "clf" → format.
std::optional<LutFormat> lutFormatFromName(const std::string& name);
std::string lutExtension(LutFormat format);
/// By the extension, in either case.
bool isLutName(const std::filesystem::path& file);

/// A LUT as read from text, with what a reader should know.
struct ParsedLut {
    LutTable table;
    std::optional<LutFormat> format = LutFormat::Cube; ///< nothing where it came as a picture (lut_picture.h)
    std::vector<std::string> remarks;                  ///< e.g. that the output depth had to be guessed
};

/// Reads .cube text: TITLE, LUT_1D_SIZE 2…65536 and/or LUT_3D_SIZE 2…256, LUT_1D_INPUT_RANGE, LUT_3D_INPUT_RANGE,
/// DOMAIN_MIN, DOMAIN_MAX, # comments, red fastest, any white space and line ends. Throws Error with the line for
/// wrong counts, words where numbers belong, NaN and infinities, sizes out of range, trailing data.
ParsedLut parseCube(const std::string& text);

/// Reads .3dl text: optional 3DMESH, Mesh, LUT8, gamma and # lines, the line of grid positions, integers, blue
/// fastest. The output depth comes from Mesh, else from the largest value.
ParsedLut parseThreeDl(const std::string& text);

/// Numbers with as many digits as give the same float again; the domain only where it is not 0…1. Where a 1D and a 3D
/// table stand together, the 1D comes first, and the title stands in a comment: other readers of such files know no
/// TITLE in them, ours finds it there. Another comment tells the spaces.
std::string cubeText(const LutTable& table, const LutSpaces& spaces = {});

/// Integers: 10-bit grid positions and 12-bit values; 16-bit values where no value would reach the upper half of 12
/// bits and a reader would take the depth for less. Values are clipped to 0…1. Needs a grid on 0…1 of at most 129,
/// and no 1D table.
std::string threeDlText(const LutTable& table);

/// The text of one of them.
std::string lutText(const LutTable& table, LutFormat format, const LutSpaces& spaces = {});

/// What a reader finds in such a file of the table. A .cube holds its very floats, so that there it is the table.
LutTable asWritten(const LutTable& table, LutFormat format, const LutSpaces& spaces = {});

/// By content for .cube, .3dl and CLF (clf_file.h), whatever the extension.
ParsedLut parseLut(const std::string& text);
/// The same from a file; errors name it.
ParsedLut readLutFile(const std::filesystem::path& file);
/// With fewer steps a .3dl file's head looks like a line of its table.
constexpr int kLeastThreeDl = 4;
/// True for a file that can be read as a LUT.
bool isLutFile(const std::filesystem::path& file);

void writeLutFile(const std::filesystem::path& file, const LutTable& table, LutFormat format,
                  const LutSpaces& spaces = {});

} // namespace baryton
