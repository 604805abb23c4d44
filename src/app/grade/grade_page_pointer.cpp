// What Grade tells of the pixel under the pointer and of the sample points.
#include "app/grade/grade_page.h"
#include "app/render_image.h"
#include "colour/spaces.h"
#include "grade/cut_grade.h"
#include "render/histogram.h"

#include <QMenu>
#include <cmath>

namespace baryton {

namespace {

int level(float v) {
    return static_cast<int>(std::lround(std::clamp(v, 0.0F, 1.0F) * 255));
}

/// Width and height of the whole picture as its frame has oriented it.
std::pair<double, double> orientedSize(const LoadedPicture& loaded) {
    const double width = loaded.whole.width, height = loaded.whole.height;
    return loaded.geometry.frame.orientation.swapsSides() ? std::pair(height, width) : std::pair(width, height);
}

} // namespace

Plan GradePage::planOf(const Grade& grade) const {
    const Program program = Program::compile(grade);
    const Picture& full = loaded_.pyramid->full();
    FrameMap map = FrameMap::whole(full);
    // While a control moves this must be quick as well; with the exact frame comes the exact reading.
    if (program.needs(map.scale).base) map.base = isExact_ ? loaded_.pyramid->base() : loaded_.pyramid->quickBase();
    return {program, map, full};
}

QPointF GradePage::ofWhole(QPointF shown) const {
    const Placement placement = placementOf(loaded_.geometry, loaded_.whole.width, loaded_.whole.height);
    const auto [x, y] = toSource(placement, {shown.x() * placement.width, shown.y() * placement.height});
    const auto [width, height] = orientedSize(loaded_);
    const SharePoint at = fromOriented(placement.orientation, {x / width, y / height});
    return {at.x, at.y};
}

QPointF GradePage::ofShown(QPointF whole) const {
    const Placement placement = placementOf(loaded_.geometry, loaded_.whole.width, loaded_.whole.height);
    const auto [width, height] = orientedSize(loaded_);
    const SharePoint at = toOriented(placement.orientation, {whole.x(), whole.y()});
    const auto [x, y] = fromSource(placement, {at.x * width, at.y * height});
    return {x / placement.width, y / placement.height};
}

QPointF GradePage::shareOf(QPointF picture) const {
    return {picture.x() / view_->pictureSize().width(), picture.y() / view_->pictureSize().height()};
}

bool GradePage::placesStage() const {
    return panel_->isOnPicture() && panel_->editor() && panel_->editor()->placesOnPicture();
}

QSizeF GradePage::pullReach() const {
    constexpr double pixels = 9; // of the screen
    const double length = pixels * devicePixelRatioF() / view_->scale();
    return {length / view_->pictureSize().width(), length / view_->pictureSize().height()};
}

void GradePage::updateFigure() {
    if (hasPixels()) {
        const double aspect = double(view_->pictureSize().width()) / view_->pictureSize().height();
        const auto& place = loaded_.pyramid->full().framePlace();
        chain_->setFrame(aspect, place);
        for (const EditorPanel* each : panels())
            if (each->editor()) each->editor()->setFrame(aspect, place);
    }
    view_->setFigure(placesStage() && hasPixels() ? panel_->editor()->figure() : PictureFigure());
}

void GradePage::showPointer(QPointF at) {
    if (!hasPixels()) return;
    if (placesStage()) view_->setPressCursor(panel_->editor()->pullAt(shareOf(at), pullReach()));
    const QPointF share = shareOf(at);
    const Picture& full = loaded_.pyramid->full();
    at *= double(full.width()) / loaded_.pyramid->width(); // a stand-in is smaller
    const int x = std::clamp(static_cast<int>(at.x()), 0, full.width() - 1);
    const int y = std::clamp(static_cast<int>(at.y()), 0, full.height() - 1);
    if (!pointer_) {
        pointer_ = PointerPlans{planOf(displayedGrade()), {}};
        for (EditorPanel* each : panels())
            pointer_->inputs.push_back(planOf(upTo(state_.shownGrade(), each->target())));
    }
    const PixelRect pixel{x, y, 1, 1};
    const auto after = pointer_->all.mean(full, pixel);
    const Vec3 seen = {after[0], after[1], after[2]};
    const auto chroma = chromaPlane(seen);
    QString text = tr("R %1 G %2 B %3 → R %4 G %5 B %6")
                       .arg(level(full.row(0, y)[x]))
                       .arg(level(full.row(1, y)[x]))
                       .arg(level(full.row(2, y)[x]))
                       .arg(level(after[0]))
                       .arg(level(after[1]))
                       .arg(level(after[2]));
    constexpr double least = 0.01; // below it a hue is noise
    if (std::hypot(chroma[0], chroma[1]) > least) text += tr("   hue %1°").arg(std::lround(hueOf(seen)));
    pointedAfter_ = after;
    for (std::size_t i = 0; i < panels().size(); ++i) panels()[i]->setPointed(pointer_->inputs[i].mean(full, pixel));
    StageEditor* editor = panel_->editor();
    if (editor) editor->setPointer(share);
    Q_EMIT pointerText(editor ? text + editor->pointerWords(share) : text);
    showSamples();
}

void GradePage::clearPointer() {
    Q_EMIT pointerText({});
    pointedAfter_.reset();
    for (EditorPanel* each : panels()) each->setPointed({});
    if (panel_->editor()) panel_->editor()->setPointer({});
    showSamples();
}

void GradePage::showSamples() {
    QVector<ScopeMark> scopeMarks;
    QVector<PictureView::Mark> marks;
    QVector<SampleList::Entry> entries;
    QVector<HuePicks::Pin> pins;
    constexpr double least = 0.01; // below it a hue is noise
    const auto addPin = [&](const QString& label, const SampledPoint& sample) {
        if (sample.chroma > least) pins.append({label, sample.hue, sample.opposite});
    };
    marked_.clear();
    if (hasPixels() && !samples_.of(state_.key()).isEmpty()) {
        const Plan plan = planOf(displayedGrade());
        int number = 0;
        for (const QPointF& sampled : samples_.of(state_.key())) {
            const QString label = QString::number(++number);
            const QPointF at = ofShown(sampled);
            if (!QRectF(0, 0, 1, 1).contains(at)) continue; // the frame leaves it out: it comes back with the place
            marked_.push_back(number - 1);
            const SampledPoint sample = readSample(loaded_.pyramid->full(), plan, at);
            marks.append({{at.x() * view_->pictureSize().width(), at.y() * view_->pictureSize().height()}, label});
            scopeMarks.append({sample.after, label});
            entries.append({label, sample, sampleText(label, sample), {}});
            addPin(label, sample);
        }
    }
    if (!reference_.isEmpty()) {
        const Plan asItIs(Program(), FrameMap::whole(reference_), reference_);
        char letter = 'a';
        for (const QPointF& at : samples_.of(Samples::kReference)) {
            const QString label{QLatin1Char(letter++)};
            const SampledPoint sample = readSample(reference_, asItIs, at);
            scopeMarks.append({sample.after, label});
            // Each stands behind the one of the picture that came at the same turn, and says how far they are apart.
            const auto own = std::find_if(entries.begin(), entries.end(), [&](const SampleList::Entry& entry) {
                return entry.label == QString::number(label[0].unicode() - u'a' + 1);
            });
            SampleList::Entry entry{label, sample, sampleText(label, sample), {}};
            if (own != entries.end()) {
                entry.distance = distanceText(own->label, own->point, sample);
                entry.text += QStringLiteral("   ") + entry.distance;
            }
            entries.insert(own == entries.end() ? own : own + 1, entry);
            addPin(label, sample);
        }
    }
    for (EditorPanel* each : panels()) each->setPins(pins);
    if (pointedAfter_) scopeMarks.append({*pointedAfter_, {}});
    scopes_->setMarks(scopeMarks);
    view_->setMarks(marks);
    sampleList_->show(entries);
}

void GradePage::addSample(int picture, QPointF at) {
    if (!samples_.add(picture, at))
        state_.tell(tr("There are %1 sample points already: remove one first").arg(Samples::kMost));
    showSamples();
}

void GradePage::sampleNext() {
    hand_->startPick(this, [this](QPointF at, bool onReference) {
        const QSize size = view_->pictureSize();
        if (hasPixels() || onReference)
            addSample(onReference ? Samples::kReference : state_.key(),
                      onReference ? at : ofWhole({at.x() / size.width(), at.y() / size.height()}));
        sampleNext();
    });
}

void GradePage::toggleSampling() {
    if (isSampling()) return hand_->endPick();
    isSampling_ = true;
    state_.tell(
        tr("Press on places of the picture, or of the reference beside it, to sample them (S or Escape is done)"));
    sampleNext();
}

void GradePage::openPictureMenu(QPointF position, QPoint global) {
    if (!hasPixels()) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto onReference = view_->toReference(position);
    const int picture = onReference ? Samples::kReference : state_.key();
    const QPointF at = view_->toPicture(position);
    const QPointF share =
        onReference.value_or(QPointF(at.x() / view_->pictureSize().width(), at.y() / view_->pictureSize().height()));
    const bool isOnPicture = QRectF(0, 0, 1, 1).contains(share); // beside it there is nothing to sample
    if (const int mark = onReference ? -1 : view_->markAt(position); mark >= 0)
        menu->addAction(tr("Remove sample %1").arg(marked_[static_cast<std::size_t>(mark)] + 1), this,
                        [this, sample = marked_[static_cast<std::size_t>(mark)]] {
                            samples_.remove(state_.key(), sample);
                            showSamples();
                        });
    else if (isOnPicture)
        menu->addAction(tr("Sample point here"), this,
                        [this, picture, at = onReference ? share : ofWhole(share)] { addSample(picture, at); });
    auto* clear = menu->addAction(tr("Remove all sample points"), this, [this, picture] {
        samples_.clear(picture);
        showSamples();
    });
    clear->setEnabled(!samples_.of(picture).isEmpty());
    menu->addSeparator();
    const std::pair<MaskStart, QString> starts[] = {{MaskStart::Ellipse, tr("New layer in an ellipse here")},
                                                    {MaskStart::Ramp, tr("New layer in a ramp here")},
                                                    {MaskStart::Brush, tr("New layer to paint, brush in hand")},
                                                    {MaskStart::Colours, tr("New layer on this colour")},
                                                    {MaskStart::Object, tr("New layer on an object, drawn round")}};
    for (const auto& [start, text] : starts)
        menu->addAction(text, this, [this, start = start, share] { addMaskedLayer(start, share); })
            ->setEnabled(isOnPicture && !onReference);
    menu->addSeparator();
    menu->addAction(tr("Reference picture…"), this, &GradePage::chooseReference);
    auto* asReference = menu->addAction(tr("This picture as it is now as the reference"), this, [this] {
        takeReference(Program::compile(state_.shownGrade()).graded(state_.pictures().smallOf(state_.key())),
                      state_.pictures().at(state_.key()).name());
    });
    asReference->setEnabled(!state_.pictures().smallOf(state_.key()).isEmpty());
    menu->popup(global);
}

} // namespace baryton
