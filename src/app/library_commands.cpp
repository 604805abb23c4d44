#include "app/library_commands.h"
#include "app/behind.h"
#include "app/package/empty_deleted_sheet.h"
#include "app/package/pack_sheets.h"
#include "app/welcome.h"
#include "base/error.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QGuiApplication>
#include <QPointer>
#include <QShortcut>
#include <QTimer>

namespace baryton {

namespace {
QString say(const char* text) {
    return QCoreApplication::translate("LibraryCommands", text);
}
} // namespace

namespace {

void take(AppState& state, const ImportAccount& account, const QPointer<QWidget>& parent) {
    if (!parent) return;
    // No sheet comes between a hand and what it holds.
    constexpr int soon = 100; // milliseconds
    if (state.isHeld())
        return QTimer::singleShot(soon, parent, [&state, account, parent] { take(state, account, parent); });
    // One good preset by itself needs no account.
    if (account.items.size() == 1 && account.items[0].preset && account.items[0].state == ImportItem::State::New) {
        state.editLibrary([&] { return importEdit(account, state.library()); });
        state.tell(
            say("%1 added to the group %2, on the shelf and in Package")
                .arg(QString::fromStdString(account.items[0].name), QString::fromStdString(account.items[0].group)));
        return;
    }
    (new ImportSheet(state, account, parent))->open();
}

} // namespace

void importFiles(AppState& state, const std::vector<std::filesystem::path>& files, QWidget* parent) {
    QThreadPool& pool = *QThreadPool::globalInstance();
    runBehind(pool, [files, library = state.library(), &state, parent = QPointer(parent)] {
        std::optional<ImportAccount> account;
        QString problem;
        try {
            account = accountOfImport(files, library);
        } catch (const std::exception& e) {
            problem = QString::fromStdString(e.what());
        }
        tellWindow(qGuiApp, [&state, parent, account = std::move(account), problem] {
            if (account)
                take(state, *account, parent);
            else if (parent)
                state.tell(problem, true);
        });
    });
}

void openImportDialog(AppState& state, QWidget* parent) {
    auto* dialog = new QFileDialog(parent, say("Import presets and LUTs"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFiles);
    dialog->setNameFilter(
        say("Packs, presets, LUTs (*.bpack *.zip *.bpreset *.cube *.3dl *.clf *.png *.tif *.tiff *.jpg)"));
    QObject::connect(dialog, &QFileDialog::filesSelected, parent, [&state, parent](const QStringList& files) {
        std::vector<std::filesystem::path> paths;
        for (const QString& file : files) paths.emplace_back(file.toStdString());
        importFiles(state, paths, parent);
    });
    dialog->open();
}

void bringGivenPresets(AppState& state, QWidget* parent) {
    const auto folder = givenPresetsFolder();
    if (!folder.empty()) importFiles(state, {folder}, parent);
}

void emptyDeleted(AppState& state, QWidget* parent) {
    const Library::Deleted there = state.library().deleted();
    if (there.groups == 0) return state.tell(say("Nothing that was deleted is kept"));
    (new EmptyDeletedSheet(state, there, parent))->open();
}

PresetKeys::PresetKeys(AppState& state, QWidget* window) : QObject(window), state_(state), window_(window) {
    connect(&state, &AppState::presetsChanged, this, &PresetKeys::bind);
    bind();
}

void PresetKeys::bind() {
    for (QShortcut* each : keys_) each->deleteLater();
    keys_.clear();
    for (const auto& [item, known] : state_.libraryIndex().items) {
        if (known.key.empty()) continue;
        auto* shortcut = new QShortcut(QKeySequence(QString::fromStdString(known.key)), window_);
        connect(shortcut, &QShortcut::activated, this, [this, name = item] {
            const LibraryEntry* entry = state_.presetEntry(name);
            if (entry && entry->preset) state_.applyPreset(Preset(*entry->preset));
        });
        keys_.push_back(shortcut);
    }
}

} // namespace baryton
