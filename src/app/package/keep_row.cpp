#include "app/package/keep_row.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>

namespace baryton {

KeepRow::KeepRow(AppState& state, const QString& usualGroup, QWidget* parent)
    : QWidget(parent), state_(state), name_(new QLineEdit), group_(new QComboBox) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    name_->setPlaceholderText(tr("Name"));
    name_->setAccessibleName(tr("Preset name"));
    name_->setMaxLength(200);
    group_->setEditable(true);
    group_->setAccessibleName(tr("Group"));
    for (const auto& group : state.library().groups()) group_->addItem(QString::fromStdString(group));
    group_->setCurrentText(usualGroup);
    row->addWidget(name_, 1);
    row->addWidget(makeLabel(tr("in group"), "second"));
    row->addWidget(group_);
    connect(name_, &QLineEdit::textChanged, this, &KeepRow::changed);
    connect(group_, &QComboBox::currentTextChanged, this, &KeepRow::changed);
}

void KeepRow::offerName(const QString& name) {
    if (name_->text().isEmpty()) name_->setText(name);
}

bool KeepRow::isComplete() const {
    return !name_->text().trimmed().isEmpty() && !group_->currentText().trimmed().isEmpty();
}

void KeepRow::keep(Preset preset) {
    const std::string group = group_->currentText().trimmed().toStdString();
    preset.name = name();
    state_.editLibrary([&] { return state_.library().add(preset, group, true); });
    state_.tell(
        tr("%1 added to the group %2").arg(QString::fromStdString(preset.name), QString::fromStdString(group)));
}

} // namespace baryton
