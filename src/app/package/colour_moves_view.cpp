#include "app/package/colour_moves_view.h"
#include "app/behind.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QLocale>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kPerEdge = 9, kGreys = 65, kAcross = 33;

QString numbersOf(const std::array<float, 3>& rgb) {
    QStringList all;
    for (const float v : rgb) all.append(QString::number(std::lround(255 * v)));
    return all.join(u' ');
}

} // namespace

ColourMovesView::ColourMovesView(Grade look, QWidget* parent)
    : ColourMovesView(std::nullopt, std::move(look), tr("Before → after"), parent) {}

ColourMovesView::ColourMovesView(Grade one, Grade other, QWidget* parent)
    : ColourMovesView(std::optional(std::move(one)), std::move(other), tr("First → second"), parent) {}

ColourMovesView::ColourMovesView(std::optional<Grade> from, Grade look, const QString& way, QWidget* parent)
    : QWidget(parent), from_(std::move(from)), look_(std::move(look)),
      views_(new Segments({tr("All colours"), tr("One lightness")})), stack_(new QStackedWidget), cube_(new CubeView),
      slice_(new SliceView), share_(new ValueRow(way)), lightness_(new ValueRow(tr("Lightness"))),
      said_(new StillText(2)) {
    pool_.setMaxThreadCount(1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    views_->setAccessibleName(tr("View"));
    views_->setCurrent(0);
    layout->addWidget(views_, 0, Qt::AlignLeft);
    cube_->setAccessibleName(tr("All colours"));
    cube_->setToolTip(
        tr("Drag to turn; a double press turns it back. Black is below, white above; the line is the greys. "
           "A ring: clipped here, and was not before"));
    slice_->setAccessibleName(tr("One lightness"));
    slice_->setToolTip(
        tr("Greys in the middle, colourful ones outside: red right, yellow above, green left, blue below. "
           "A ring: clipped here, and was not before"));
    stack_->addWidget(cube_);
    stack_->addWidget(slice_);
    layout->addWidget(stack_, 1);
    share_->setRange(0, 100, 1, 100);
    share_->setValue(100);
    lightness_->setRange(10, 95, 1, 60);
    lightness_->setValue(60);
    const int wide = std::max(share_->nameWidth(), lightness_->nameWidth());
    for (ValueRow* row : {share_, lightness_}) {
        row->setLabelWidth(wide);
        layout->addWidget(row);
    }
    // It belongs to the slice, and keeps its place.
    lightness_->setEnabled(false);
    layout->addWidget(said_);
    connect(views_, &Segments::chosen, this, [this](int view) { showView(static_cast<View>(view)); });
    connect(share_, &ValueRow::edited, this,
            [this](double percent) { cube_->setShare(percent / 100), slice_->setShare(percent / 100); });
    connect(lightness_, &ValueRow::edited, this, &ColourMovesView::workOutSlice);
    said_->setText(tr("Being worked out…"));
    workOut();
    workOutSlice();
}

void ColourMovesView::showView(View view) {
    views_->setCurrent(view);
    stack_->setCurrentIndex(view);
    lightness_->setEnabled(view == OneLightness);
}

std::vector<ColourMove> ColourMovesView::moves(const std::vector<std::array<float, 3>>& colours) const {
    return from_ ? colourMovesBetween(*from_, look_, colours) : colourMoves(look_, colours);
}

ColourMovesView::~ColourMovesView() {
    if (sliceTask_) sliceTask_->cancel();
    waitFor(pool_);
}

void ColourMovesView::workOut() {
    runBehind(pool_, [this] {
        std::vector<std::array<float, 3>> ramp;
        for (int i = 0; i < kGreys; ++i) {
            const float v = float(i) / float(kGreys - 1);
            ramp.push_back({v, v, v});
        }
        tellWindow(this, [this, all = moves(cubeColours(kPerEdge)), greys = moves(ramp)] {
            double sum = 0;
            for (const ColourMove& move : all) sum += move.apart;
            const auto farthest = std::max_element(all.begin(), all.end(),
                                                   [](const auto& a, const auto& b) { return a.apart < b.apart; });
            const QLocale locale;
            const QString text =
                from_
                    ? tr("The two take colours ΔE %1 apart on average, the farthest by %2: one makes %3 of what the "
                         "other makes %4 (red, green, blue in 8 bits).")
                    : tr("Colours move by ΔE %1 on average, the farthest by %2: from %3 to %4 (red, green, blue in "
                         "8 bits).");
            said_->setText(text.arg(locale.toString(sum / double(all.size()), 'f', 1),
                                    locale.toString(farthest->apart, 'f', 1), numbersOf(farthest->before),
                                    numbersOf(farthest->after)));
            cube_->setMoves(all, greys);
        });
    });
}

void ColourMovesView::workOutSlice() {
    if (sliceTask_) sliceTask_->cancel();
    sliceTask_ = std::make_shared<Task>();
    runBehind(pool_, [this, task = sliceTask_, lightness = lightness_->value() / 100] {
        if (task->isCancelled()) return;
        tellWindow(this, [this, task, there = moves(sliceColours(lightness, kAcross))] {
            if (!task->isCancelled()) slice_->setMoves(there);
        });
    });
}

} // namespace baryton
