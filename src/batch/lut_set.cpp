#include "batch/lut_set.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/words.h"
#include "batch/names.h"

#include <map>

namespace baryton {

namespace fs = std::filesystem;

std::vector<fs::path> lutSetFiles(const std::vector<LutSetItem>& items, const LutSetWish& wish) {
    InputSet inputs;
    for (const LutSetItem& item : items) inputs.add(item.file);
    std::vector<fs::path> files;
    std::map<std::string, std::string> taken; // small letters: some disks take no other
    for (const LutSetItem& item : items) {
        NameParts parts;
        parts.stem = item.file.stem().string();
        parts.look = parts.preset = item.name;
        parts.folder = item.group;
        parts.extension = lutExtension(wish.lut.format);
        parts.number = static_cast<int>(files.size()) + 1;
        files.push_back(wish.folder / fileNameFromTemplate(wish.pattern, parts));
        const std::string extension = lowerCase(files.back().extension().string());
        if (extension.size() > 1 && extension != "." + parts.extension && lutFormatFromName(extension.substr(1)))
            throw Error(files.back().string(), "",
                        inWords("the name says {}, but .{} is written", extension, parts.extension),
                        words("end the names in .{ext}"));
        const auto [there, isNew] = taken.emplace(lowerCase(files.back().string()), item.name);
        if (!isNew)
            throw Error(files.back().string(), "",
                        inWords("two would have this name: {} and {}", there->second, item.name),
                        words("put {preset}, {folder} or {n} into the names"));
        requireOutput(files.back(), inputs, isLutFile, words("a LUT"));
    }
    return files;
}

std::vector<LutSetEntry> exportLutSet(const std::vector<LutSetItem>& items, const LutSetWish& wish,
                                      const std::vector<Picture>& pictures, const Task* task,
                                      const std::function<void(std::size_t, const LutSetEntry&)>& soFar) {
    const std::vector<fs::path> files = lutSetFiles(items, wish);
    std::vector<LutSetEntry> entries;
    for (std::size_t i = 0; i < items.size(); ++i) {
        LutSetEntry entry;
        entry.file = files[i];
        try {
            if (task) task->throwIfCancelled();
            LutExport lut = wish.lut;
            lut.file = files[i], lut.title = items[i].name;
            const Grade look = wish.ignoresMasks ? withoutPlaces(items[i].look).grade : items[i].look;
            if (wish.within) {
                const auto size =
                    smallestWithin(fidelityByGrid(look, lut, kUsualSizes, pictures, task), *wish.within);
                lut.size = size.value_or(kUsualSizes.back());
                entry.isAsNear = size.has_value();
            }
            fs::create_directories(files[i].parent_path());
            entry.size = lut.size;
            entry.report = exportLut(look, lut, pictures, task);
        } catch (const Cancelled&) {
            return entries;
        } catch (const std::exception& e) {
            entry.failure = e.what();
        }
        entries.push_back(std::move(entry));
        if (soFar) soFar(i, entries.back());
    }
    return entries;
}

} // namespace baryton
