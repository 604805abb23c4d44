#include "app/package/start_sheet.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>

namespace baryton {

namespace {
enum Kind { Camera, FileType };
}

StartSheet::StartSheet(AppState& state, QWidget* parent)
    : Sheet(tr("Start of new pictures"), QStringLiteral("guide/package#") + tr("Start of new pictures"), parent),
      state_(state), rows_(new QVBoxLayout) {
    setMinimumWidth(560);
    auto* layout = rows();
    layout->setSpacing(10);
    addNote(tr("Pictures that have no grade yet start from this. It is listed as in force on them and "
               "can be taken off; pictures that have a grade are left alone."));
    const LibraryIndex& index = state.libraryIndex();
    auto* row = new QHBoxLayout;
    row->addWidget(new QLabel(tr("Every picture")));
    row->addStretch(1);
    any_ = makePresets(index.start);
    any_->setAccessibleName(tr("Start of every picture"));
    row->addWidget(any_);
    layout->addLayout(row);
    rows_->setSpacing(6);
    layout->addLayout(rows_);
    for (const auto& [camera, preset] : index.startByCamera) addRule(Camera, camera, preset);
    for (const auto& [type, preset] : index.startByType) addRule(FileType, type, preset);
    auto* more = makeButton(tr("Another start for a camera or file type"), "flat");
    more->setIcon(theme::icon(QStringLiteral("plus")));
    layout->addWidget(more, 0, Qt::AlignLeft);
    connect(more, &QPushButton::clicked, this, [this] { addRule(Camera, {}, {}); });
    layout->addStretch(1);
    auto* save = makeButton(tr("Keep"), "primary");
    addFoot(save);
    connect(save, &QPushButton::clicked, this, &StartSheet::save);
}

QComboBox* StartSheet::makePresets(const std::string& chosen) const {
    auto* list = new QComboBox;
    list->addItem(tr("neutral"), QString());
    for (const LibraryEntry& entry : state_.presets()) {
        if (!entry.preset) continue;
        list->addItem(
            QStringLiteral("%1 · %2").arg(QString::fromStdString(entry.group), QString::fromStdString(entry.name)),
            QString::fromStdString(entry.item()));
    }
    const QString item = QString::fromStdString(chosen);
    if (!chosen.empty() && list->findData(item) < 0) list->addItem(tr("%1 (missing)").arg(item), item);
    list->setCurrentIndex(std::max(0, list->findData(item)));
    list->setFixedWidth(240);
    return list;
}

void StartSheet::addRule(int kind, const std::string& what, const std::string& preset) {
    Rule rule{new QWidget, new QComboBox, makePresets(preset), new QLineEdit};
    auto* row = new QHBoxLayout(rule.box);
    row->setContentsMargins(0, 0, 0, 0);
    rule.kind->addItems({tr("Camera"), tr("File type")});
    rule.kind->setCurrentIndex(kind);
    rule.kind->setAccessibleName(tr("Camera or file type"));
    rule.what->setText(QString::fromStdString(what));
    rule.what->setPlaceholderText(tr("model, or jpg, tif…"));
    rule.what->setAccessibleName(tr("Which"));
    rule.preset->setAccessibleName(tr("Its start"));
    auto* away = makeButton({}, "flat");
    away->setIcon(theme::icon(QStringLiteral("close")));
    away->setAccessibleName(tr("Take this line away"));
    row->addWidget(rule.kind);
    row->addWidget(rule.what, 1);
    row->addWidget(rule.preset);
    row->addWidget(away);
    rows_->addWidget(rule.box);
    connect(away, &QPushButton::clicked, this, [this, box = rule.box] {
        std::erase_if(rules_, [&](const Rule& each) { return each.box == box; });
        box->deleteLater();
    });
    rules_.push_back(rule);
}

void StartSheet::save() {
    LibraryIndex next = state_.libraryIndex();
    next.start = any_->currentData().toString().toStdString();
    next.startByCamera.clear();
    next.startByType.clear();
    for (const Rule& rule : rules_) {
        const QString what = rule.what->text().trimmed(), preset = rule.preset->currentData().toString();
        if (what.isEmpty()) continue;
        const bool camera = rule.kind->currentIndex() == Camera;
        (camera ? next.startByCamera : next.startByType)[(camera ? what : what.toLower()).toStdString()] =
            preset.toStdString();
    }
    if (!(next == state_.libraryIndex()))
        state_.editLibrary([&] { return state_.library().setIndex(next, "Start of new pictures"); });
    accept();
}

} // namespace baryton
