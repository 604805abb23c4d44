#include "app/grade/sample_list.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QHelpEvent>
#include <QPainter>
#include <QScrollArea>
#include <QToolTip>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kRow = 36, kMostShown = 8, kSampleSwatch = 7;
constexpr double kLeastChroma = 0.01; ///< below it a hue is noise

QColor shown(const std::array<float, 3>& c) {
    const auto held = [](float v) { return std::clamp(v, 0.0F, 1.0F); };
    return QColor::fromRgbF(held(c[0]), held(c[1]), held(c[2]));
}

QString numbers(const std::array<float, 3>& c) {
    QStringList parts;
    for (const float v : c) parts.append(QString::number(std::lround(std::clamp(v, 0.0F, 1.0F) * 255)));
    return parts.join(u' ');
}

} // namespace

class SampleList::Rows : public QWidget {
public:
    QVector<Entry> entries;

    QSize sizeHint() const override { return {100, kRow * static_cast<int>(entries.size())}; }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        const auto& c = theme::colours();
        QFont font = this->font();
        font.setPixelSize(11);
        p.setFont(font);
        int y = 0;
        for (const Entry& entry : entries) {
            p.fillRect(QRectF(0, y + 3, kSampleSwatch, kRow - 8), shown(entry.point.before));
            p.fillRect(QRectF(kSampleSwatch, y + 3, kSampleSwatch, kRow - 8), shown(entry.point.after));
            p.setPen(c.faint); // or a dark one could not be told from the panel
            p.drawRect(QRectF(0.5, y + 3.5, 2 * kSampleSwatch - 1, kRow - 9));
            constexpr double text = 2 * kSampleSwatch + 4;
            const QRectF line(text, y + 1, width() - text, kRow / 2.0 - 2);
            p.setPen(c.text);
            p.drawText(line, Qt::AlignVCenter, entry.label + QStringLiteral("  ") + numbers(entry.point.after));
            p.setPen(c.second);
            if (!entry.distance.isEmpty())
                p.drawText(line.translated(0, kRow / 2.0 - 2), Qt::AlignVCenter, entry.distance);
            else if (entry.point.chroma > kLeastChroma)
                p.drawText(line.translated(0, kRow / 2.0 - 2), Qt::AlignVCenter,
                           QStringLiteral("%1° ↔ %2°")
                               .arg(std::lround(entry.point.hue))
                               .arg(std::lround(entry.point.opposite)));
            y += kRow;
        }
    }
    bool event(QEvent* event) override {
        if (event->type() != QEvent::ToolTip) return QWidget::event(event);
        const auto* help = static_cast<QHelpEvent*>(event);
        const int row = help->pos().y() / kRow;
        if (row < entries.size()) QToolTip::showText(help->globalPos(), entries[row].text, this);
        return true;
    }
};

SampleList::SampleList(QWidget* parent) : QWidget(parent), rows_(new Rows) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(6, 4, 0, 6);
    layout->setSpacing(2);
    auto* head = new QHBoxLayout;
    head->setSpacing(0);
    head->addWidget(makeLabel(tr("Samples"), "second"), 1);
    auto* clear = makeButton({}, "flat");
    clear->setIcon(theme::icon(QStringLiteral("close")));
    clear->setFixedWidth(26);
    clear->setAccessibleName(tr("Remove all sample points"));
    clear->setToolTip(tr("Remove all sample points"));
    head->addWidget(clear);
    layout->addLayout(head);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidgetResizable(true);
    scroll->setWidget(rows_);
    layout->addWidget(scroll);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    connect(clear, &QPushButton::clicked, this, &SampleList::clearWanted);
    hide();
}

void SampleList::show(const QVector<Entry>& entries) {
    const bool isLonger = entries.size() != rows_->entries.size();
    rows_->entries = entries;
    if (isLonger) {
        const int shownRows = static_cast<int>(std::min<qsizetype>(entries.size(), kMostShown));
        rows_->setFixedHeight(kRow * static_cast<int>(entries.size()));
        rows_->parentWidget()->parentWidget()->setFixedHeight(kRow * shownRows);
    }
    setVisible(!entries.isEmpty());
    rows_->setAccessibleName(text());
    rows_->update();
}

QString SampleList::text() const {
    QStringList lines;
    for (const Entry& entry : rows_->entries) lines.append(entry.text);
    return lines.join(u'\n');
}

} // namespace baryton
