#include "lut/export_lut.h"
#include "base/error.h"
#include "base/words.h"

namespace baryton {

LutExportReport exportLut(const Grade& grade, const LutExport& wanted, const std::vector<Picture>& pictures,
                          const Task* task) {
    if (wanted.format == LutFormat::ThreeDl && wanted.size < kLeastThreeDl)
        throw Error(wanted.file.string(), "", inWords("a .3dl file has {} steps at the least", kLeastThreeDl),
                    words("choose a larger size, or a .cube file"));
    const ChosenNodes chosen = chosenNodes(grade, wanted.size, wanted.title, wanted.nodes, pictures, task);
    writeLutFile(wanted.file, chosen.table, wanted.format);
    LutExportReport report;
    report.fidelity = measureFidelity(readLutFile(wanted.file).table, grade, pictures, false, task);
    report.isFitted = chosen.isFitted, report.sampled = chosen.sampled;
    report.leftOut = leftOutOfLut(grade);
    return report;
}

} // namespace baryton
