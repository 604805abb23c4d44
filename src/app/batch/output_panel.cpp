#include "app/batch/output_panel.h"
#include "app/batch/file_sheet.h"
#include "app/theme/theme.h"
#include "app/widgets/menu_button.h"
#include "base/error.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kOutputRow = 26, kMostOutputRows = 3;

QString formatWord(FileFormat format) {
    switch (format) {
    case FileFormat::Jpeg:
        return QStringLiteral("JPEG");
    case FileFormat::Png:
        return QStringLiteral("PNG");
    case FileFormat::Tiff:
        return QStringLiteral("TIFF");
    case FileFormat::WebP:
        return QStringLiteral("WebP");
    case FileFormat::Avif:
        break;
    }
    return QStringLiteral("AVIF");
}

QString profileWord(const ProfileWish& profile) {
    switch (profile.space) {
    case ProfileWish::Space::Srgb:
        return QStringLiteral("sRGB");
    case ProfileWish::Space::DisplayP3:
        return QStringLiteral("Display P3");
    case ProfileWish::Space::Rec2020:
        return QStringLiteral("Rec. 2020");
    case ProfileWish::Space::File:
        break;
    }
    return QString::fromStdString(profile.file.stem().string());
}

constexpr int kDepths[] = {8, 16, 32};

} // namespace

QString outputWords(const OutputSettings& output) {
    QStringList parts = {formatWord(output.format.format)};
    if (output.format.bits == 16) parts[0] += OutputPanel::tr(" 16 bit");
    if (output.format.bits == 32) parts[0] += OutputPanel::tr(" float");
    const std::string size = sizeWishText(output.size);
    if (!size.empty()) parts.append(QString::fromStdString(size));
    if (output.profile.space != ProfileWish::Space::Srgb) parts.append(profileWord(output.profile));
    if (hasQuality(output.format)) parts.append(OutputPanel::tr("quality %1").arg(output.format.quality));
    if (output.mark.isThere()) parts.append(OutputPanel::tr("mark"));
    return parts.join(QStringLiteral(" · "));
}

OutputPanel::OutputPanel(AppState& state, QWidget* parent) : QScrollArea(parent), state_(state), panel_(new QWidget) {
    panel_->setObjectName(QStringLiteral("panel"));
    panel_->setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(panel_);
    layout->setContentsMargins(14, 10, 14, 8);
    layout->setSpacing(6);
    layout->addWidget(makeLabel(tr("Output"), "heading"));
    layout->addWidget(makeLabel(tr("LOOKS"), "section"));
    ownGrade_ = new QCheckBox(tr("Each picture's own grade"));
    ownGrade_->setToolTip(tr("As it was graded here"));
    takes_ = makeMenuButton({});
    takes_->setToolTip(tr("Takes of the pictures, each as a look of its own; a picture that has no such take is left "
                          "out"));
    connect(takes_->menu(), &QMenu::aboutToShow, this, &OutputPanel::fillTakes);
    auto* own = new QHBoxLayout;
    own->addWidget(ownGrade_, 1);
    own->addWidget(takes_);
    layout->addLayout(own);
    looks_ = new LookPicker(state_);
    looks_->setMinimumHeight(144);
    layout->addWidget(looks_, 1);
    connect(ownGrade_, &QCheckBox::clicked, this, [this](bool on) {
        BatchSettings next = settings_;
        next.ownGrade = on;
        Q_EMIT changeWanted(tr("Batch: looks"), next);
    });
    connect(looks_, &LookPicker::toggled, this, [this](const std::filesystem::path& file, bool on) {
        BatchSettings next = settings_;
        if (on)
            next.presets.insert(file);
        else
            next.presets.erase(file);
        Q_EMIT changeWanted(tr("Batch: looks"), next);
    });
    prep_ = new Segments({tr("Its own"), tr("None"), tr("Matched")});
    prep_->setToolTip(tr("Whether each picture's own exposure and white balance are used"));
    prep_->button(2)->setToolTip(
        tr("Its own, with exposure and white balance as Match shows them; the grades stay as they are"));
    addRow(layout, tr("Prep"), prep_);
    connect(prep_, &Segments::chosen, this, [this](int i) {
        BatchSettings next = settings_;
        next.prep = static_cast<PrepChoice>(i);
        Q_EMIT changeWanted(tr("Batch: Prep"), next);
    });
    makeFiles(layout);
    makePlace(layout);
    setObjectName(QStringLiteral("panel"));
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedWidth(330);
    setWidget(panel_);
}

void OutputPanel::addRow(QVBoxLayout* layout, const QString& label, QWidget* widget, bool stretches) {
    auto* line = new QHBoxLayout;
    auto* name = new QLabel(label);
    name->setFixedWidth(84);
    line->addWidget(name);
    if (!stretches) line->addStretch(1);
    line->addWidget(widget, stretches ? 1 : 0);
    widget->setAccessibleName(label);
    layout->addLayout(line);
}

void OutputPanel::makeFiles(QVBoxLayout* layout) {
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("FILES OF EACH"), "section"), 1);
    add_ = makeButton(tr("Add"), "flat");
    add_->setToolTip(tr("A second kind of file of each picture, as a small JPEG beside a TIFF for print"));
    remove_ = makeButton(tr("Remove"), "flat");
    remove_->setToolTip(tr("Takes the chosen kind of file out of the run"));
    head->addWidget(add_);
    head->addWidget(remove_);
    layout->addLayout(head);
    files_ = new QListWidget;
    files_->setAccessibleName(tr("Kinds of file made of each picture"));
    files_->setUniformItemSizes(true);
    files_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(files_);
    auto* kind = new QWidget;
    auto* kindLayout = new QHBoxLayout(kind);
    kindLayout->setContentsMargins(0, 0, 0, 0);
    kindLayout->setSpacing(6);
    format_ = new QComboBox;
    for (const FileFormat each :
         {FileFormat::Jpeg, FileFormat::Png, FileFormat::Tiff, FileFormat::WebP, FileFormat::Avif})
        format_->addItem(formatWord(each));
    depth_ = new Segments({tr("8"), tr("16"), tr("float")});
    depth_->setAccessibleName(tr("Depth"));
    depth_->setToolTip(tr("Bits of a channel. Float keeps what is beyond black and white"));
    kindLayout->addWidget(format_, 1);
    kindLayout->addWidget(depth_);
    addRow(layout, tr("Format"), kind, true);
    format_->setAccessibleName(tr("Format"));
    quality_ = new ValueRow(tr("Quality"));
    quality_->setRange(1, 100, 1, 90);
    quality_->setLabelWidth(84);
    layout->addWidget(quality_);
    auto* size = new QWidget;
    auto* sizeLayout = new QHBoxLayout(size);
    sizeLayout->setContentsMargins(0, 0, 0, 0);
    size_ = new QLineEdit;
    size_->setPlaceholderText(tr("as it is"));
    size_->setToolTip(
        tr("2400 px: the long side. 2400 x 1600: a box that it fits into. 6 MP, 50 %. Empty: as it is"));
    enlarges_ = new QCheckBox(tr("enlarge"));
    enlarges_->setToolTip(tr("Pictures smaller than that are enlarged; else they stay as they are"));
    sizeLayout->addWidget(size_, 1);
    sizeLayout->addWidget(enlarges_);
    addRow(layout, tr("Size"), size, true);
    size_->setAccessibleName(tr("Size"));
    profile_ = new QComboBox;
    profile_->setToolTip(tr("The colours that the files' numbers mean; the profile is put into each file"));
    addRow(layout, tr("Colours"), profile_, true);
    sharpen_ = new Segments({tr("None"), tr("Screen"), tr("Matt"), tr("Gloss")});
    sharpen_->setToolTip(tr("Sharpening for output: for screens, or for matt or glossy paper by the resolution"));
    addRow(layout, tr("Sharpen"), sharpen_);
    more_ = makeButton(tr("Encoding, mark, metadata…"), "");
    addRow(layout, tr("More"), more_, true);
    more_->setAccessibleName(tr("Encoding, mark, metadata"));

    connect(files_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row < 0 || row >= static_cast<int>(settings_.outputs.size())) return;
        shown_ = static_cast<std::size_t>(row);
        showShown();
    });
    connect(add_, &QPushButton::clicked, this, [this] {
        BatchSettings next = settings_;
        OutputSettings further = shown(); // what is said of whose it is goes for both
        const bool isTiff = further.format.format == FileFormat::Tiff;
        further.format.format = isTiff ? FileFormat::Jpeg : FileFormat::Tiff;
        further.format.bits = isTiff ? 8 : 16;
        further.size = {};
        next.outputs.push_back(further);
        shown_ = next.outputs.size() - 1;
        Q_EMIT changeWanted(tr("Batch: further file"), next);
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        BatchSettings next = settings_;
        next.outputs.erase(next.outputs.begin() + static_cast<std::ptrdiff_t>(shown_));
        Q_EMIT changeWanted(tr("Batch: file removed"), next);
    });
    connect(format_, &QComboBox::activated, this, [this](int i) {
        OutputSettings next = shown();
        next.format.format = static_cast<FileFormat>(i);
        const std::vector<int> depths = depthsOf(next.format.format);
        if (std::find(depths.begin(), depths.end(), next.format.bits) == depths.end())
            next.format.bits = depths.back() < next.format.bits ? depths.back() : depths.front();
        change(tr("Batch: format"), next);
    });
    connect(depth_, &Segments::chosen, this, [this](int i) {
        OutputSettings next = shown();
        next.format.bits = kDepths[i];
        change(tr("Batch: depth"), next);
    });
    connect(quality_, &ValueRow::edited, this, [this](double v, bool settled) {
        if (!settled) return;
        OutputSettings next = shown();
        next.format.quality = static_cast<int>(std::lround(v));
        change(tr("Batch: quality"), next);
    });
    connect(size_, &QLineEdit::textEdited, this, [this](const QString& text) {
        try {
            sizeWishFromText(text.toStdString());
            sizeProblem_.clear();
        } catch (const Error& e) {
            sizeProblem_ = QString::fromStdString(e.problem() + ": " + e.hint());
        }
        Q_EMIT typed();
    });
    connect(size_, &QLineEdit::editingFinished, this, [this] {
        if (!sizeProblem_.isEmpty()) return;
        OutputSettings next = shown();
        const bool enlarges = next.size.enlarges;
        next.size = sizeWishFromText(size_->text().toStdString());
        next.size.enlarges = enlarges;
        change(tr("Batch: size"), next);
        size_->setText(QString::fromStdString(sizeWishText(shown().size)));
    });
    connect(enlarges_, &QCheckBox::clicked, this, [this](bool on) {
        OutputSettings next = shown();
        next.size.enlarges = on;
        change(tr("Batch: enlarging"), next);
    });
    connect(profile_, &QComboBox::activated, this, &OutputPanel::chooseProfile);
    connect(sharpen_, &Segments::chosen, this, [this](int i) {
        OutputSettings next = shown();
        next.sharpenFor = static_cast<SharpenFor>(i);
        change(tr("Batch: sharpening"), next);
    });
    connect(more_, &QPushButton::clicked, this, [this] {
        auto* sheet = new FileSheet(state_, shown(), window());
        connect(sheet, &FileSheet::changeWanted, this, &OutputPanel::change);
        sheet->open();
    });
}

void OutputPanel::chooseProfile(int index) {
    OutputSettings next = shown();
    constexpr int fromFile = 3;
    if (index < fromFile) {
        next.profile.space = static_cast<ProfileWish::Space>(index);
        return change(tr("Batch: colours"), next);
    }
    const bool isTheSame = next.profile.space == ProfileWish::Space::File && index == fromFile;
    if (isTheSame) return;
    showShown(); // until a file is chosen it stays as it was
    auto* dialog = new QFileDialog(window(), tr("Profile of the files"), {}, tr("ICC profiles (*.icc *.icm)"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& file) {
        if (const auto why = profileProblem(file.toStdString()))
            return state_.tell(QString::fromStdString(*why), true);
        OutputSettings chosen = shown();
        chosen.profile.space = ProfileWish::Space::File;
        chosen.profile.file = file.toStdString();
        change(tr("Batch: colours"), chosen);
    });
    dialog->open();
}

void OutputPanel::makePlace(QVBoxLayout* layout) {
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
    addRow(layout, tr("Folder"), folderRow, true);
    folder_->setAccessibleName(tr("Output folder"));
    name_ = new QLineEdit;
    name_->setToolTip(
        tr("{stem} the picture's name, {look} the look's, {preset} the same as it is written, {n} or {n:0000} a "
           "number, {ext} the extension; {folder}, {date}, {time}, {camera}, {lens}, {iso} as the "
           "picture has them; {width}, {height} of the file. Folders may be part of it"));
    addRow(layout, tr("Name"), name_, true);
    name_->setAccessibleName(tr("Name template"));
    example_ = makeLabel({}, "second");
    example_->setWordWrap(true);
    layout->addWidget(example_);
    exists_ = new QComboBox;
    exists_->addItems({tr("Number the new file"), tr("Skip it"), tr("Replace what is ours"), tr("Ask")});
    exists_->setToolTip(tr("Number: the new file gets a number. Skip: what is there stays, nothing is made. Replace: "
                           "what Baryton itself "
                           "wrote is written over, never anything else. Ask: when a run meets files"));
    addRow(layout, tr("If it exists"), exists_, true);
    connect(folder_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.folder = folder_->text().trimmed().toStdString();
        Q_EMIT changeWanted(tr("Batch: folder"), next);
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(window(), tr("Folder for the finished files"), folder_->text());
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::Directory);
        connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& folder) {
            BatchSettings next = settings_;
            next.folder = folder.toStdString();
            Q_EMIT changeWanted(tr("Batch: folder"), next);
        });
        dialog->open();
    });
    connect(name_, &QLineEdit::textEdited, this, &OutputPanel::typed);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        BatchSettings next = settings_;
        next.name = name_->text().toStdString();
        Q_EMIT changeWanted(tr("Batch: names"), next);
    });
    connect(exists_, &QComboBox::activated, this, [this](int i) {
        BatchSettings next = settings_;
        constexpr int ask = 3;
        next.asksIfExists = i == ask;
        if (i < ask) next.ifExists = static_cast<IfExists>(i);
        Q_EMIT changeWanted(tr("Batch: existing files"), next);
    });
}

void OutputPanel::change(const QString& what, const OutputSettings& next) {
    if (next == shown()) return;
    BatchSettings all = settings_;
    all.outputs[shown_] = next;
    Q_EMIT changeWanted(what, all);
}

void OutputPanel::setSettings(const BatchSettings& settings) {
    settings_ = settings;
    shown_ = std::min(shown_, settings_.outputs.size() - 1);
    const QSignalBlocker quiet(files_);
    files_->clear();
    for (const OutputSettings& each : settings_.outputs) {
        auto* item = new QListWidgetItem(outputWords(each), files_);
        item->setSizeHint({0, kOutputRow});
        item->setToolTip(item->text());
    }
    const int rows = std::min(kMostOutputRows, static_cast<int>(settings_.outputs.size()));
    files_->setFixedHeight(rows * kOutputRow + 2 * files_->frameWidth());
    files_->setCurrentRow(static_cast<int>(shown_));
    add_->setEnabled(settings_.outputs.size() < kMostOutputs);
    remove_->setEnabled(settings_.outputs.size() > 1);
    prep_->setCurrent(static_cast<int>(settings_.prep));
    folder_->setText(QString::fromStdString(settings_.folder));
    name_->setText(QString::fromStdString(settings_.name));
    exists_->setCurrentIndex(settings_.asksIfExists ? 3 : static_cast<int>(settings_.ifExists));
    ownGrade_->setChecked(settings_.ownGrade);
    takes_->setText(settings_.takes.empty() ? tr("Takes")
                                            : tr("Takes: %1").arg(static_cast<int>(settings_.takes.size())));
    looks_->setChosen(settings_.presets);
    showShown();
}

void OutputPanel::fillTakes() {
    QMenu* menu = takes_->menu();
    menu->clear();
    std::map<std::string, int> counts;
    for (const std::string& name : settings_.takes) counts[name] = 0; // also those that no picture has any more
    for (int i = 0; i < state_.pictures().size(); ++i)
        for (const Take& take : state_.pictures().at(i).work.takes) ++counts[take.name];
    if (counts.empty()) {
        menu->addAction(tr("No picture has a take. Grade keeps them"))->setEnabled(false);
        return;
    }
    for (const auto& [name, count] : counts) {
        // A name is no mnemonic.
        const QString shown = QString::fromStdString(name).replace(QLatin1Char('&'), QStringLiteral("&&"));
        auto* action = menu->addAction(shown + QStringLiteral(" · ") + counted(count, tr("picture"), tr("pictures")));
        action->setCheckable(true);
        action->setChecked(settings_.takes.contains(name));
        connect(action, &QAction::triggered, this, [this, name = name](bool on) {
            BatchSettings next = settings_;
            if (on)
                next.takes.insert(name);
            else
                next.takes.erase(name);
            Q_EMIT changeWanted(tr("Batch: looks"), next);
        });
    }
}

void OutputPanel::showShown() {
    const OutputSettings& output = shown();
    format_->setCurrentIndex(static_cast<int>(output.format.format));
    const std::vector<int> depths = depthsOf(output.format.format);
    for (int i = 0; i < 3; ++i) {
        if (output.format.bits == kDepths[i]) depth_->setCurrent(i);
        depth_->button(i)->setEnabled(std::find(depths.begin(), depths.end(), kDepths[i]) != depths.end());
    }
    quality_->setValue(output.format.quality);
    quality_->setEnabled(hasQuality(output.format));
    size_->setText(QString::fromStdString(sizeWishText(output.size)));
    sizeProblem_.clear();
    enlarges_->setChecked(output.size.enlarges);
    enlarges_->setEnabled(output.size.kind != SizeWish::Kind::Own);
    profile_->clear();
    profile_->addItems({QStringLiteral("sRGB"), QStringLiteral("Display P3"), QStringLiteral("Rec. 2020")});
    const bool isOwn = output.profile.space == ProfileWish::Space::File;
    if (isOwn) profile_->addItem(profileWord(output.profile));
    profile_->addItem(tr("ICC file…"));
    profile_->setCurrentIndex(static_cast<int>(output.profile.space));
    sharpen_->setCurrent(static_cast<int>(output.sharpenFor));
}

void OutputPanel::showExample(const QString& text, bool isProblem) {
    example_->setText(text);
    setRole(example_, isProblem ? "error" : "second");
}

void OutputPanel::setRunning(bool isRunning) {
    panel_->setEnabled(!isRunning);
}

} // namespace baryton
