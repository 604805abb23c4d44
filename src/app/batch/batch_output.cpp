// The right side of the Batch task: what is set for the files that come out.
#include "app/batch/batch_page.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

QWidget* BatchPage::makeOutput() {
    auto* panel = new QWidget;
    panel->setObjectName(QStringLiteral("panel"));
    panel->setAttribute(Qt::WA_StyledBackground);
    output_ = panel;
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(8);
    layout->addWidget(makeLabel(tr("Output"), "heading"));
    layout->addWidget(makeLabel(tr("LOOKS"), "section"));
    ownGrade_ = new QCheckBox(tr("Each picture's own grade"));
    ownGrade_->setToolTip(tr("As it was graded here"));
    layout->addWidget(ownGrade_);
    looks_ = new LookPicker(state_);
    looks_->setMinimumHeight(150);
    layout->addWidget(looks_, 1);
    connect(ownGrade_, &QCheckBox::clicked, this, [this](bool on) {
        BatchSettings next = settings_;
        next.ownGrade = on;
        change(tr("Batch: looks"), next);
    });
    connect(looks_, &LookPicker::toggled, this, [this](const std::filesystem::path& file, bool on) {
        BatchSettings next = settings_;
        if (on)
            next.presets.insert(file);
        else
            next.presets.erase(file);
        change(tr("Batch: looks"), next);
    });
    const auto addRow = [&](const QString& label, QWidget* widget, bool stretch = false) {
        auto* line = new QHBoxLayout;
        auto* name = new QLabel(label);
        name->setFixedWidth(84);
        line->addWidget(name);
        if (!stretch) line->addStretch(1);
        line->addWidget(widget, stretch ? 1 : 0);
        widget->setAccessibleName(label);
        layout->addLayout(line);
    };
    layout->addWidget(makeLabel(tr("EACH PICTURE"), "section"));
    prep_ = new Segments({tr("Keep its own"), tr("None")});
    prep_->setToolTip(tr("Whether each picture's own exposure and white balance are used"));
    addRow(tr("Prep"), prep_);
    layout->addWidget(makeLabel(tr("FILE"), "section"));
    format_ = new Segments({QStringLiteral("JPEG"), QStringLiteral("PNG"), QStringLiteral("TIFF")});
    addRow(tr("Format"), format_);
    bits_ = new Segments({tr("8 bit"), tr("16 bit")});
    addRow(tr("Depth"), bits_);
    quality_ = new ValueRow(tr("Quality"));
    quality_->setRange(1, 100, 1, 90);
    layout->addWidget(quality_);
    ground_ = new Segments({tr("White"), tr("Grey"), tr("Black")});
    ground_->setToolTip(tr("What lies behind the transparent parts of a picture: a JPEG has no transparency"));
    addRow(tr("Ground"), ground_);
    longSide_ = new NumberField;
    longSide_->setRange(0, 100000, 10);
    longSide_->setFixedWidth(90);
    longSide_->setFormatter([](double v) { return v <= 0 ? tr("as it is") : tr("%1 px").arg(v, 0, 'f', 0); });
    longSide_->setToolTip(tr("Scales down to this many pixels on the long side; 0 keeps the size"));
    addRow(tr("Long side"), longSide_);
    metadata_ = new QComboBox;
    metadata_->addItems({tr("All of it"), tr("All but the place"), tr("Rights only"), tr("None")});
    metadata_->setToolTip(
        tr("What the pictures' files say of themselves and goes into the new ones. The place: where they "
           "were taken, in numbers and words. Rights: who made them and what may be done with them"));
    addRow(tr("Metadata"), metadata_, true);
    auto* rights = new QWidget;
    auto* rightsLayout = new QHBoxLayout(rights);
    rightsLayout->setContentsMargins(0, 0, 0, 0);
    rightsLayout->setSpacing(4);
    author_ = new QLineEdit;
    copyright_ = new QLineEdit;
    rightsLayout->addWidget(author_);
    rightsLayout->addWidget(copyright_);
    addRow(tr("Rights"), rights, true);
    for (const auto& [field, name] : {std::pair{author_, tr("Author")}, {copyright_, tr("Copyright")}}) {
        field->setPlaceholderText(name);
        field->setAccessibleName(name);
        field->setToolTip(tr("Put into the files in the place of what the pictures say; empty: as they say"));
    }
    layout->addWidget(makeLabel(tr("WHERE"), "section"));
    auto* folderRow = new QWidget;
    auto* folderLayout = new QHBoxLayout(folderRow);
    folderLayout->setContentsMargins(0, 0, 0, 0);
    folderLayout->setSpacing(4);
    folder_ = new QLineEdit;
    auto* choose = makeButton({}, "");
    choose->setIcon(theme::icon(QStringLiteral("folder")));
    choose->setAccessibleName(tr("Choose the folder"));
    folderLayout->addWidget(folder_, 1);
    folderLayout->addWidget(choose);
    addRow(tr("Folder"), folderRow, true);
    folder_->setAccessibleName(tr("Output folder"));
    name_ = new QLineEdit;
    name_->setToolTip(
        tr("{stem} the picture's name, {look} the look's, {preset} the same as it is written, {n} or {n:0000} a "
           "number, {ext} the extension; {folder}, {date}, {time}, {camera}, {lens}, {iso} as the "
           "picture has them. Folders may be part of it"));
    addRow(tr("Name"), name_, true);
    name_->setAccessibleName(tr("Name template"));
    example_ = makeLabel({}, "second");
    example_->setWordWrap(true);
    layout->addWidget(example_);
    exists_ = new Segments({tr("Number it"), tr("Skip"), tr("Replace")});
    exists_->setToolTip(
        tr("Number it: the new file gets a number. Skip: what is there stays, nothing is made. Replace: "
           "what Baryton itself wrote is written over, never anything else"));
    addRow(tr("If it exists"), exists_);

    connect(prep_, &Segments::chosen, this, [this](int i) {
        BatchSettings next = settings_;
        next.prep = i == 0 ? PrepChoice::Own : PrepChoice::None;
        change(tr("Batch: Prep"), next);
    });
    const auto formatChanged = [this] {
        BatchSettings next = settings_;
        next.format = format_->current() == 0 ? 0 : 2 * format_->current() - 1 + bits_->current();
        change(tr("Batch: format"), next);
    };
    connect(format_, &Segments::chosen, this, formatChanged);
    connect(bits_, &Segments::chosen, this, formatChanged);
    connect(quality_, &ValueRow::edited, this, [this](double v, bool settled) {
        if (!settled) return;
        BatchSettings next = settings_;
        next.quality = static_cast<int>(std::lround(v));
        change(tr("Batch: quality"), next);
    });
    connect(ground_, &Segments::chosen, this, [this](int i) {
        BatchSettings next = settings_;
        next.ground = static_cast<Ground>(i);
        change(tr("Batch: ground"), next);
    });
    connect(longSide_, &NumberField::edited, this, [this](double v) {
        BatchSettings next = settings_;
        next.longSide = static_cast<int>(std::lround(v));
        change(tr("Batch: long side"), next);
    });
    connect(metadata_, &QComboBox::activated, this, [this](int i) {
        BatchSettings next = settings_;
        next.metadata = static_cast<MetadataKept>(i);
        change(tr("Batch: metadata"), next);
    });
    connect(author_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.author = author_->text().trimmed().toStdString();
        change(tr("Batch: author"), next);
    });
    connect(copyright_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.copyright = copyright_->text().trimmed().toStdString();
        change(tr("Batch: copyright"), next);
    });
    connect(folder_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.folder = folder_->text().trimmed().toStdString();
        change(tr("Batch: folder"), next);
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(window(), tr("Folder for the finished files"), folder_->text());
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::Directory);
        connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& folder) {
            BatchSettings next = settings_;
            next.folder = folder.toStdString();
            change(tr("Batch: folder"), next);
        });
        dialog->open();
    });
    connect(name_, &QLineEdit::textEdited, this, &BatchPage::showPlan);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.name = name_->text().toStdString();
        change(tr("Batch: names"), next);
    });
    connect(exists_, &Segments::chosen, this, [this](int i) {
        BatchSettings next = settings_;
        next.ifExists = i == 0 ? IfExists::Number : i == 1 ? IfExists::Skip : IfExists::Replace;
        change(tr("Batch: existing files"), next);
    });
    auto* scroll = new QScrollArea;
    scroll->setObjectName(QStringLiteral("panel"));
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setFixedWidth(330);
    scroll->setWidget(panel);
    return scroll;
}

void BatchPage::setSettings(const BatchSettings& settings) {
    settings_ = settings;
    prep_->setCurrent(settings_.prep == PrepChoice::Own ? 0 : 1);
    format_->setCurrent((settings_.format + 1) / 2);
    bits_->setCurrent(settings_.format > 0 && settings_.format % 2 == 0 ? 1 : 0);
    bits_->button(1)->setEnabled(settings_.format > 0);
    quality_->setValue(settings_.quality);
    quality_->setEnabled(settings_.format == 0);
    ground_->setCurrent(static_cast<int>(settings_.ground));
    ground_->setEnabled(settings_.format == 0);
    metadata_->setCurrentIndex(static_cast<int>(settings_.metadata));
    author_->setText(QString::fromStdString(settings_.author));
    copyright_->setText(QString::fromStdString(settings_.copyright));
    longSide_->setValue(settings_.longSide);
    folder_->setText(QString::fromStdString(settings_.folder));
    name_->setText(QString::fromStdString(settings_.name));
    exists_->setCurrent(settings_.ifExists == IfExists::Number ? 0 : settings_.ifExists == IfExists::Skip ? 1 : 2);
    ownGrade_->setChecked(settings_.ownGrade);
    looks_->setChosen(settings_.presets);
    showPlan();
    if (!isRecalling_ && state_.pictures().size() > 0) rememberTimer_.start();
}

} // namespace baryton
