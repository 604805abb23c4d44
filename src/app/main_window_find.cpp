// What Ctrl+K finds: commands, stages, presets, pictures.
#include "app/grade/stage_commands.h"
#include "app/keys.h"
#include "app/main_window.h"
#include "app/palette.h"
#include "stages/purposes.h"
#include "stages/stage_type.h"

#include <QAction>

namespace baryton {

void MainWindow::openPalette() {
    std::vector<Palette::Entry> entries;
    for (const KeyCommand& command : keyCommands()) {
        const QAction* action = actions_.at(command.command);
        if (!action->isEnabled()) continue;
        entries.push_back({tr("command"), keyText(command.text), QString::fromLatin1(command.key),
                           [this, asked = command.command] { run(asked); }});
    }
    const auto purposes = [](const std::string& type) { return QString::fromStdString(purposesOf(type)); };
    for (const StagePlace& place : stagePlaces(state_.keyGrade())) {
        const Stage& stage = stageAt(state_.keyGrade(), place);
        const auto choose = [this, id = stage.id] {
            showTask(AppTask::Grade);
            state_.chooseStage(id);
        };
        entries.push_back({tr("stage"),
                           QString::fromStdString(stageTitle(state_.keyGrade(), stage)),
                           {},
                           choose,
                           purposes(stage.type)});
    }
    for (const StageOffer& offer : stageOffers()) {
        const auto add = [this, id = offer.type->id, part = offer.part] {
            showTask(AppTask::Grade);
            addStage(state_, id, AddAt::Chosen, part);
        };
        entries.push_back({tr("add"), tr("Add %1").arg(offer.title), {}, add, purposes(offer.type->id)});
    }
    for (const LibraryEntry& entry : state_.presets()) {
        if (!entry.preset) continue;
        // With its group: three may have one name.
        entries.push_back({tr("preset · %1").arg(QString::fromStdString(entry.group)),
                           QString::fromStdString(entry.name),
                           {},
                           [this, preset = *entry.preset] { state_.applyPreset(preset); }});
    }
    for (int i = 0; i < state_.pictures().size(); ++i)
        entries.push_back(
            {tr("picture"), QString::fromStdString(state_.pictures().at(i).file.filename().string()), {}, [this, i] {
                 state_.setKey(i);
             }});
    auto* palette = new Palette(std::move(entries), this);
    palette->move(mapToGlobal(QPoint((width() - palette->width()) / 2, 60)));
    palette->show();
    palette->search()->setFocus();
}

} // namespace baryton
