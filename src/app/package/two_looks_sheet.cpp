#include "app/package/two_looks_sheet.h"
#include "app/behind.h"
#include "app/package/missed_view.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QLocale>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QStackedWidget>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kColumns = 3;
constexpr double kGap = 8;
constexpr double kHigh = 0.68; ///< of a cell, for its width: a portrait picture stands as high as a landscape one

QString figuresOf(const Difference& d) {
    const QLocale locale;
    return TwoLooksSheet::tr("ΔE mean %1 · 99 % %2 · worst %3")
        .arg(locale.toString(d.mean, 'f', 2), locale.toString(d.percentile99, 'f', 2),
             locale.toString(d.worst, 'f', 1));
}

/// What is white in pictures of differences, so that 99 of 100 pixels are darker.
double whiteFor(const std::vector<Difference>& all) {
    double most = 0;
    for (const Difference& each : all) most = std::max(most, each.percentile99);
    for (const double white : {1.0, 2.0, 5.0, 10.0, 20.0, 50.0})
        if (most <= white) return white;
    return 100;
}

} // namespace

LooksBeside::LooksBeside(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::TabFocus);
}

void LooksBeside::setRows(std::vector<Row> rows) {
    rows_ = std::move(rows);
    fit();
    update();
}

QRectF LooksBeside::cell(std::size_t row, int column) const {
    const double wide = (width() - kGap * (kColumns + 1)) / kColumns, high = wide * kHigh;
    const double foot = fontMetrics().height() + kGap;
    return {kGap + column * (wide + kGap), kGap + static_cast<double>(row) * (high + foot + kGap), wide, high};
}

void LooksBeside::fit() {
    setFixedHeight(rows_.empty() ? 0 : static_cast<int>(cell(rows_.size(), 0).top()));
}

void LooksBeside::resizeEvent(QResizeEvent*) {
    fit();
}

QString LooksBeside::inWords() const {
    QStringList all;
    for (const Row& row : rows_)
        if (row.difference) all.append(row.name + QStringLiteral(": ") + figuresOf(*row.difference));
    return all.join(QStringLiteral("; "));
}

void LooksBeside::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme::surround());
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const Row& row = rows_[i];
        const QImage* images[kColumns] = {&row.one, &row.other, &row.apart};
        for (int k = 0; k < kColumns; ++k) {
            const QRectF room = cell(i, k);
            if (images[k]->isNull()) {
                p.fillRect(room, theme::colours().well);
                continue;
            }
            const QSizeF size = QSizeF(images[k]->size()).scaled(room.size(), Qt::KeepAspectRatio);
            p.drawImage(QRectF(room.center() - QPointF(size.width() / 2, size.height() / 2), size), *images[k]);
        }
        p.setPen(theme::colours().second);
        const auto foot = [&](int column, const QString& text) {
            const QRectF room = cell(i, column);
            p.drawText(QRectF(room.left(), room.bottom() + 2, room.width(), fontMetrics().height()),
                       Qt::AlignLeft | Qt::AlignVCenter,
                       fontMetrics().elidedText(text, Qt::ElideMiddle, static_cast<int>(room.width())));
        };
        foot(0, row.name);
        if (row.difference) foot(2, figuresOf(*row.difference));
    }
    if (!hasFocus()) return;
    p.setPen(QPen(theme::colours().accent, 1));
    p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
}

TwoLooksSheet::TwoLooksSheet(AppState& state, Named one, Named other, const std::vector<int>& pictures,
                             QWidget* parent)
    : Sheet(tr("%1 and %2").arg(one.name, other.name),
            QStringLiteral("guide/package#") + tr("A LUT of unknown making"), parent),
      one_(std::move(one)), other_(std::move(other)), own_(state.ownPixels()),
      pages_(new Segments({tr("On pictures"), tr("All colours"), tr("One lightness")})), beside_(new LooksBeside),
      colours_(new ColourMovesView(one_.look, other_.look)), scale_(makeLabel({}, "second")),
      said_(new StillText(2)) {
    resize(1000, 690);
    pool_.setMaxThreadCount(1);
    pages_->setCurrent(0);
    pages_->setAccessibleName(tr("View"));
    rows()->addWidget(pages_, 0, Qt::AlignLeft);
    auto* onPictures = new QWidget;
    auto* layout = new QVBoxLayout(onPictures);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* head = new QHBoxLayout;
    auto* scroll = new QScrollArea;
    constexpr int gap = static_cast<int>(kGap);
    head->setContentsMargins(gap, 0, gap + scroll->verticalScrollBar()->sizeHint().width(), 0);
    head->setSpacing(gap); // above the columns
    for (QLabel* each : {makeLabel(one_.name, "brand"), makeLabel(other_.name, "brand"), scale_}) {
        each->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
        head->addWidget(each, 1);
    }
    layout->addLayout(head);
    scroll->setWidget(beside_);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // pictures keep their size when the last one comes
    layout->addWidget(scroll, 1);
    beside_->setAccessibleName(tr("Both, and how far apart"));
    auto* stack = new QStackedWidget;
    stack->addWidget(onPictures);
    stack->addWidget(colours_);
    rows()->addWidget(stack, 1);
    colours_->views()->hide(); // they are pages here
    connect(pages_, &Segments::chosen, this, [this, stack](int page) {
        stack->setCurrentIndex(std::min(page, 1));
        if (page > 0) colours_->showView(page == 1 ? ColourMovesView::AllColours : ColourMovesView::OneLightness);
    });
    rows()->addWidget(said_);
    addCloseFoot("primary");
    scale_->setText(tr("How far apart"));
    said_->setText(tr("Being worked out…"));
    std::vector<On> on;
    for (const int index : pictures) {
        const OpenPicture& picture = state.pictures().at(index);
        Grade prep;
        prep.prep = picture.work.grade.prep;
        on.push_back({picture.name(), state.pictures().sourceOf(index), state.pictures().wholeSmallOf(index),
                      std::move(prep)});
        rows_.push_back({picture.name(), {}, {}, {}, {}});
    }
    beside_->setRows(rows_);
    if (rows_.empty()) { // what there is to see without any
        pages_->button(0)->setEnabled(false);
        pages_->button(0)->setToolTip(tr("Choose check pictures at the left of Package"));
        pages_->setCurrent(1);
        stack->setCurrentIndex(1);
    }
    workOut(std::move(on));
}

TwoLooksSheet::~TwoLooksSheet() {
    task_->cancel();
    waitFor(pool_);
}

void TwoLooksSheet::workOut(std::vector<On> pictures) {
    runBehind(pool_, [this, task = task_, pictures = std::move(pictures)] {
        try {
            const auto colours = [](const Named& each) {
                return Program::compile(each.look, {false, true, true, true});
            };
            std::vector<Picture> apart(pictures.size());
            std::vector<Difference> figures(pictures.size());
            for (std::size_t i = 0; i < pictures.size(); ++i) {
                const On& on = pictures[i];
                const std::vector<Picture> own = own_->of({on.source}, task.get());
                if (own.empty()) continue; // can't be read
                const Program prep = Program::compile(on.prep, {true, false, false, false});
                const Picture small = prep.graded(on.small.isEmpty() ? own[0] : on.small, 0, task.get());
                const QImage one = imageOf(colours(one_), small, task.get()),
                             other = imageOf(colours(other_), small, task.get());
                apart[i] = apartOn(prep.graded(own[0], 0, task.get()), one_.look, other_.look, task.get());
                figures[i] = differenceIn(apart[i]);
                tellWindow(this, [this, i, one, other, figure = figures[i]] {
                    rows_[i].one = one, rows_[i].other = other, rows_[i].difference = figure;
                    beside_->setRows(rows_);
                });
            }
            const double white = whiteFor(figures);
            std::vector<QImage> images;
            images.reserve(apart.size());
            for (const Picture& each : apart)
                images.push_back(each.isEmpty() ? QImage() : imageOfMissed(each, white));
            const Difference cube = compareLooks(one_.look, other_.look, {}, task.get()).cube;
            tellWindow(this, [this, images, white, cube] {
                for (std::size_t i = 0; i < images.size(); ++i) rows_[i].apart = images[i];
                beside_->setRows(rows_);
                scale_->setText(tr("How far apart: white is ΔE %1").arg(white));
                showFigures(cube);
                isDone_ = true;
            });
        } catch (const Cancelled&) {
            return; // closed
        } catch (const std::exception& e) {
            tellWindow(this, [this, problem = QString::fromStdString(e.what())] { said_->setText(problem); });
        }
    });
}

void TwoLooksSheet::showFigures(const Difference& cube) {
    QString text = tr("Over all colours: %1").arg(figuresOf(cube));
    for (const Named* each : {&one_, &other_})
        for (const std::string& name : leftOutOfLut(each->look))
            text += QStringLiteral("\n") + tr("Not compared: %1 of %2, which is no function of colour alone")
                                               .arg(QString::fromStdString(name), each->name);
    said_->setText(text);
}

} // namespace baryton
