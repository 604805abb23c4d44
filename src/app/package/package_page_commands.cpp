// What is done to the chosen presets: deleted, moved, exported, surveyed.
#include "app/package/export_luts_sheet.h"
#include "app/package/pack_sheets.h"
#include "app/package/package_page.h"
#include "app/package/start_sheet.h"
#include "app/package/two_looks_sheet.h"

#include <QDesktopServices>
#include <QMenu>
#include <QUrl>

namespace baryton {

void PackagePage::deleteChosen() {
    const auto entries = selected();
    if (entries.empty()) return;
    state_.editLibrary([&] { return state_.library().remove(entries); });
    state_.tell(entries.size() == 1
                    ? tr("Deleted: %1. Undo brings it back.").arg(QString::fromStdString(entries.front().name))
                    : tr("%1 presets deleted. Undo brings them back.").arg(entries.size()));
}

void PackagePage::toggleSelectedFavourite() {
    for (const LibraryEntry& entry : selected()) state_.toggleFavourite(entry);
}

std::vector<LibraryEntry> PackagePage::exported(const QString& group) const {
    std::vector<LibraryEntry> entries = selected();
    if (!group.isEmpty() || entries.size() < 2) {
        entries.clear();
        const std::string wanted = (group.isEmpty() ? groups_->group() : group).toStdString();
        for (const auto& entry : state_.presets())
            if (wanted.empty() || entry.group == wanted) entries.push_back(entry);
    }
    return entries;
}

void PackagePage::exportPack(const QString& group) {
    (new ExportPackSheet(state_, exported(group), this))->open();
}

void PackagePage::exportLuts(const QString& group) {
    (new ExportLutsSheet(state_, exported(group), checkSources(), this))->open();
}

std::optional<std::pair<LibraryEntry, LibraryEntry>> PackagePage::chosenTwo() const {
    const auto entries = selected();
    if (entries.size() != 2 || !entries[0].preset || !entries[1].preset) return {};
    return std::pair{entries[0], entries[1]};
}

void PackagePage::compareTwo() {
    const auto two = chosenTwo();
    if (!two) return;
    const auto named = [](const LibraryEntry& entry) {
        return TwoLooksSheet::Named{QString::fromStdString(entry.name), entry.preset->carried};
    };
    (new TwoLooksSheet(state_, named(two->first), named(two->second), checkPictures(), this))->open();
}

void PackagePage::openStarts() {
    (new StartSheet(state_, this))->open();
}

void PackagePage::openMenu(QPoint at) {
    const QModelIndex index = tiles_->indexAt(at);
    if (!index.isValid()) return;
    // A menu asked for by key, or after a choice was taken back, is of the tile it opens on.
    if (!tiles_->selectionModel()->isSelected(index)) tiles_->setCurrentIndex(index);
    const auto entries = selected();
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Apply"), details_, &PresetDetails::apply);
    menu->addAction(tr("Favourite, or no longer"), this, &PackagePage::toggleSelectedFavourite);
    if (entries.size() == 1 && entries.front().preset)
        menu->addAction(tr("Survey the set with it"), this,
                        [this, file = entries.front().file] { Q_EMIT state_.surveyWanted(file); });
    if (chosenTwo()) menu->addAction(tr("Compare two…"), this, &PackagePage::compareTwo);
    menu->addSeparator();
    if (entries.size() == 1) {
        menu->addAction(tr("Rename"), details_, &PresetDetails::rename);
        menu->addAction(tr("Duplicate"), details_, &PresetDetails::duplicate);
        menu->addAction(tr("Save over with the key picture's values"), details_, &PresetDetails::saveOver);
    }
    auto* move = menu->addMenu(tr("Move to"));
    for (const auto& group : state_.library().groups())
        move->addAction(QString::fromStdString(group), this, [this, entries, group] {
            state_.editLibrary([&] { return state_.library().move(entries, group); });
        });
    menu->addAction(tr("Export as a pack…"), this,
                    [this, entries] { (new ExportPackSheet(state_, entries, this))->open(); });
    menu->addAction(tr("Export as LUTs…"), this,
                    [this, entries] { (new ExportLutsSheet(state_, entries, checkSources(), this))->open(); });
    menu->addAction(tr("Show the file"), this, [file = entries.front().file] {
        QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(file.parent_path().string())));
    });
    menu->addSeparator();
    menu->addAction(tr("Delete"), this, &PackagePage::deleteChosen);
    menu->popup(tiles_->viewport()->mapToGlobal(at));
}

} // namespace baryton
