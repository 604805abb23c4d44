// What else is shown of the key picture than its grade in the viewer: the version before, and the reference.
#include "app/behind.h"
#include "app/grade/grade_page.h"
#include "app/render_image.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QPointer>
#include <QThreadPool>

namespace baryton {

QImage GradePage::wholeBefore() const {
    const bool isWanted = held_ || compare_->mode() == CompareBar::Mode::Beside;
    if (!isWanted || state_.before().kind != Before::Kind::WholeSource || !hasPixels()) return {};
    const auto whole = state_.pictures().wholeShown();
    if (!whole || loaded_.geometry.isNone()) return {}; // then it has the same places
    const auto& levels = whole->levels();
    const double wanted = std::max(view_->width(), view_->height()) * view_->devicePixelRatioF();
    const auto level =
        std::find_if(levels.rbegin(), levels.rend(), [&](const Picture& each) { return each.longSide() >= wanted; });
    return imageOf(Grade{}, level == levels.rend() ? levels.front() : *level);
}

void GradePage::chooseReference() {
    auto* dialog = new QFileDialog(this, tr("Reference picture"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& file) { loadReference(file.toStdString()); });
    connect(dialog, &QFileDialog::rejected, this, [this] {
        if (reference_.isEmpty() && compare_->mode() == CompareBar::Mode::Reference)
            compare_->toggleMode(CompareBar::Mode::Reference);
    });
    dialog->open();
}

void GradePage::loadReference(const std::filesystem::path& file) {
    const int wish = ++referenceWish_;
    QPointer<GradePage> alive = this;
    runBehind(*QThreadPool::globalInstance(), [alive, wish, file] {
        constexpr int enough = 1200; // it is looked at fitted
        Picture picture;
        QString problem;
        try {
            picture = readThumbnail(file, enough);
        } catch (const std::exception& e) {
            problem = QString::fromStdString(e.what());
        }
        tellWindow(qApp, [alive, wish, file, picture, problem] {
            if (!alive || wish != alive->referenceWish_) return;
            if (!problem.isEmpty()) return alive->state_.tell(problem, true);
            alive->takeReference(picture, QString::fromStdString(file.filename().string()));
        });
    });
}

void GradePage::takeReference(const Picture& picture, const QString& name) {
    reference_ = picture;
    referenceName_ = name;
    referenceLevels_ = std::make_shared<const Pyramid>(picture);
    ++scene_;
    samples_.clear(Samples::kReference);
    view_->setReference(imageOf(Grade{}, reference_), name);
    if (compare_->mode() != CompareBar::Mode::Reference) compare_->toggleMode(CompareBar::Mode::Reference);
    updateCompare();
}

void GradePage::fitToScreen() {
    if (!reference_.isEmpty()) view_->setReference(imageOf(Grade{}, reference_), referenceName_);
    view_->setWholeBefore(wholeBefore());
}

std::optional<GradePage::Shown> GradePage::shown(Version version) const {
    if (version == Version::Reference)
        return referenceLevels_ ? std::optional(Shown{-1, scene_, referenceLevels_, {}, {}}) : std::nullopt;
    if (!hasPixels()) return std::nullopt;
    Shown shown{loadedFor_, scene_, loaded_.pyramid, {}, {}};
    if (const auto stage = stageInFraming()) shown.framing = frameOf(*stage);
    if (version == Version::Now && !held_) {
        shown.grade = displayedGrade();
        return shown;
    }
    shown.grade = state_.beforeOf(loadedFor_);
    if (state_.before().kind == Before::Kind::WholeSource && !loaded_.geometry.isNone())
        if (const auto whole = state_.pictures().wholeShown()) shown.picture = whole, shown.grade = {};
    return shown;
}

} // namespace baryton
