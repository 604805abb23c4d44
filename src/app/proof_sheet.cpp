#include "app/proof_sheet.h"
#include "app/widgets/labels.h"
#include "app/widgets/segments.h"
#include "app/widgets/still_text.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QFormLayout>

namespace baryton {

ProofSheet::ProofSheet(ProofWish wish, QWidget* parent)
    : Sheet(tr("Soft proof"), QStringLiteral("guide/grade#") + tr("Soft proof"), parent), wish_(std::move(wish)),
      profile_(new QComboBox), problem_(makeLabel({}, "error")) {
    setMinimumWidth(480);
    addNote(tr("The picture as this device will print or show it, as far as this screen can show that."));
    auto* form = new QFormLayout;
    form->setHorizontalSpacing(16);
    form->setVerticalSpacing(10);
    form->setLabelAlignment(Qt::AlignLeft);
    rows()->addLayout(form);
    profile_->setAccessibleName(tr("Profile"));
    form->addRow(tr("Profile"), profile_);
    auto* intent = new Segments({tr("Perceptual"), tr("Relative"), tr("Saturation"), tr("Absolute")});
    intent->setAccessibleName(tr("Intent"));
    intent->setToolTip(
        tr("How colours that the device has not are brought in: as in the files that are made for it"));
    intent->setCurrent(static_cast<int>(wish_.profile.intent));
    form->addRow(tr("Intent"), intent);
    const auto addTick = [&](const QString& text, const QString& tip, bool isOn, auto set) {
        auto* tick = new QCheckBox(text);
        tick->setToolTip(tip);
        tick->setChecked(isOn);
        rows()->addWidget(tick);
        connect(tick, &QCheckBox::toggled, this, [this, set](bool on) {
            set(wish_, on);
            Q_EMIT wished(wish_);
        });
    };
    addTick(tr("Black point compensation"), tr("The picture's black becomes the device's own"),
            wish_.profile.hasBlackPoint, [](ProofWish& w, bool on) { w.profile.hasBlackPoint = on; });
    addTick(tr("Paper white"),
            tr("White as the paper is, black as the ink is: look at it for a while, without white beside it"),
            wish_.hasPaperWhite, [](ProofWish& w, bool on) { w.hasPaperWhite = on; });
    addTick(tr("Mark what lies outside"), tr("Stripes over colours that the device has not, by more than ΔE 2"),
            wish_.marksOutside, [](ProofWish& w, bool on) { w.marksOutside = on; });
    problem_->setWordWrap(true);
    problem_->setMinimumHeight(2 * problem_->fontMetrics().lineSpacing());
    rows()->addWidget(problem_);
    addCloseFoot("primary");
    connect(intent, &Segments::chosen, this, [this](int i) {
        wish_.profile.intent = static_cast<RenderingIntent>(i);
        Q_EMIT wished(wish_);
    });
    connect(profile_, &QComboBox::activated, this, &ProofSheet::chooseProfile);
    fillProfiles();
}

void ProofSheet::fillProfiles() {
    profile_->clear();
    profile_->addItems({QStringLiteral("sRGB"), QStringLiteral("Display P3"), QStringLiteral("Rec. 2020")});
    if (wish_.profile.space == ProfileWish::Space::File)
        profile_->addItem(QString::fromStdString(wish_.profile.file.filename().string()));
    profile_->addItem(tr("ICC file…"));
    profile_->setCurrentIndex(static_cast<int>(wish_.profile.space));
}

void ProofSheet::chooseProfile(int index) {
    if (index + 1 < profile_->count()) {
        wish_.profile.space = static_cast<ProfileWish::Space>(index);
        Q_EMIT wished(wish_);
        return;
    }
    auto* dialog = new QFileDialog(this, tr("The device's profile"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    dialog->setNameFilters({tr("ICC profiles (*.icc *.icm)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& file) {
        wish_.profile.space = ProfileWish::Space::File;
        wish_.profile.file = file.toStdString();
        Q_EMIT wished(wish_);
    });
    connect(dialog, &QDialog::finished, this, &ProofSheet::fillProfiles);
    dialog->open();
}

void ProofSheet::setProblem(const QString& problem) {
    problem_->setText(problem);
}

} // namespace baryton
