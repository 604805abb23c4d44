#include "lut/export_lut.h"
#include "base/error.h"
#include "base/words.h"

namespace baryton {

LutExportReport exportLut(const Grade& grade, const LutExport& wanted, const std::vector<Picture>& pictures,
                          const Task* task) {
    if (wanted.format == LutFormat::ThreeDl && wanted.size < kLeastThreeDl)
        throw Error(wanted.file.string(), "", inWords("a .3dl file has {} steps at the least", kLeastThreeDl),
                    words("choose a larger size, or a .cube file"));
    if (wanted.format == LutFormat::ThreeDl && wanted.spaces.needsShaper())
        throw Error(wanted.file.string(), "", words("a .3dl file has no room for the 1D table that light needs"),
                    words("choose a .cube file, or another space to read"));
    const std::string title =
        wanted.spaces.isPlain() ? wanted.title : wanted.title + " (" + nameOf(wanted.spaces) + ")";
    const ChosenNodes chosen = chosenNodes(grade, wanted.size, title, wanted.nodes, pictures, wanted, task);
    writeLutFile(wanted.file, chosen.table, wanted.format, wanted.spaces);
    LutExportReport report;
    report.fidelity = measureFidelity(readLutFile(wanted.file).table, grade, pictures, wanted, task);
    report.isFitted = chosen.isFitted, report.sampled = chosen.sampled;
    report.leftOut = leftOutOfLut(grade);
    return report;
}

} // namespace baryton
