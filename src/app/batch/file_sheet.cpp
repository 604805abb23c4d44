#include "app/batch/file_sheet.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPainter>
#include <QPixmap>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kFileLabel = 104, kPreviewWidth = 360, kPreviewHeight = 250;

QVBoxLayout* fileSection(QWidget* page, const QString& title) {
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    layout->addWidget(makeLabel(title, "section"));
    return layout;
}

void addFileRow(QVBoxLayout* layout, const QString& label, QWidget* widget, bool stretches = false) {
    auto* line = new QHBoxLayout;
    auto* name = new QLabel(label);
    name->setFixedWidth(kFileLabel);
    line->addWidget(name);
    line->addWidget(widget, stretches ? 1 : 0);
    if (!stretches) line->addStretch(1);
    widget->setAccessibleName(label);
    layout->addLayout(line);
}

} // namespace

FileSheet::FileSheet(AppState& state, OutputSettings output, QWidget* parent)
    : Sheet(tr("Files: encoding, mark, metadata"), QStringLiteral("guide/batch#") + tr("Encoding, mark, metadata"),
            parent),
      state_(state), output_(std::move(output)), preview_(new QLabel) {
    auto* columns = new QHBoxLayout;
    columns->setSpacing(28);
    auto* left = new QVBoxLayout;
    left->setSpacing(16);
    left->addWidget(makeEncoding());
    left->addWidget(makeMetadata());
    left->addStretch(1);
    columns->addLayout(left);
    columns->addWidget(makeMark());
    rows()->addLayout(columns);
    addCloseFoot("primary");
    showMark();
}

QWidget* FileSheet::makeEncoding() {
    auto* page = new QWidget;
    auto* layout = fileSection(page, tr("ENCODING"));
    const FileFormat kind = output_.format.format;
    auto* chroma = new Segments({tr("By quality"), tr("Full"), tr("Half")});
    chroma->setToolTip(
        tr("How much of the colours' detail is kept. By quality: all of it from 90 on, else half along each side"));
    chroma->setCurrent(static_cast<int>(output_.format.chroma));
    chroma->setEnabled(kind == FileFormat::Jpeg || kind == FileFormat::Avif);
    addFileRow(layout, tr("Colour detail"), chroma);
    connect(chroma, &Segments::chosen, this, [this](int i) {
        OutputSettings next = output_;
        next.format.chroma = static_cast<Chroma>(i);
        change(tr("Batch: colour detail"), next);
    });
    auto* packing = new Segments({tr("Deflate"), tr("LZW"), tr("None")});
    packing->setToolTip(tr("How a TIFF is packed; nothing is lost by any of them"));
    packing->setCurrent(static_cast<int>(output_.format.compression));
    packing->setEnabled(kind == FileFormat::Tiff);
    addFileRow(layout, tr("Packing"), packing);
    connect(packing, &Segments::chosen, this, [this](int i) {
        OutputSettings next = output_;
        next.format.compression = static_cast<TiffCompression>(i);
        change(tr("Batch: packing"), next);
    });
    auto* ground = new Segments({tr("White"), tr("Grey"), tr("Black")});
    ground->setToolTip(tr("What lies behind the transparent parts of a picture: a JPEG has no transparency"));
    ground->setCurrent(static_cast<int>(output_.format.ground));
    ground->setEnabled(kind == FileFormat::Jpeg);
    addFileRow(layout, tr("Ground"), ground);
    connect(ground, &Segments::chosen, this, [this](int i) {
        OutputSettings next = output_;
        next.format.ground = static_cast<Ground>(i);
        change(tr("Batch: ground"), next);
    });
    auto* dpi = new NumberField;
    dpi->setRange(0, 10000, 1);
    dpi->setFixedWidth(110);
    dpi->setFormatter([](double v) { return v <= 0 ? tr("as it is") : tr("%1 dpi").arg(v, 0, 'f', 0); });
    dpi->setToolTip(tr("For printing, in dots per inch; sharpening for paper goes by it. 0: as the picture says"));
    dpi->setValue(output_.format.dotsPerInch);
    addFileRow(layout, tr("Resolution"), dpi);
    connect(dpi, &NumberField::edited, this, [this](double v) {
        OutputSettings next = output_;
        next.format.dotsPerInch = v;
        change(tr("Batch: resolution"), next);
    });
    auto* intent = new QComboBox;
    intent->addItems({tr("Perceptual"), tr("Relative colorimetric"), tr("Saturation"), tr("Absolute colorimetric")});
    intent->setToolTip(tr("How colours that an ICC file's device has not are brought in"));
    intent->setCurrentIndex(static_cast<int>(output_.profile.intent));
    const bool isOwn = output_.profile.space == ProfileWish::Space::File;
    intent->setEnabled(isOwn);
    addFileRow(layout, tr("Intent"), intent, true);
    connect(intent, &QComboBox::activated, this, [this](int i) {
        OutputSettings next = output_;
        next.profile.intent = static_cast<RenderingIntent>(i);
        change(tr("Batch: intent"), next);
    });
    auto* sharpening = new ValueRow(tr("Sharpening"));
    sharpening->setLabelWidth(kFileLabel);
    sharpening->setRange(0, 200, 5, 100);
    sharpening->setValue(output_.sharpening * 100);
    sharpening->setEnabled(output_.sharpenFor != SharpenFor::None);
    sharpening->setToolTip(tr("Per cent of what is usual for the screen or the paper"));
    layout->addWidget(sharpening);
    connect(sharpening, &ValueRow::edited, this, [this](double v, bool settled) {
        if (!settled) return;
        OutputSettings next = output_;
        next.sharpening = v / 100;
        change(tr("Batch: sharpening"), next);
    });
    const auto addCheck = [&](const QString& text, const QString& tip, bool isOn, bool isEnabled, auto set) {
        auto* box = new QCheckBox(text);
        box->setToolTip(tip);
        box->setChecked(isOn);
        box->setEnabled(isEnabled);
        layout->addWidget(box);
        connect(box, &QCheckBox::clicked, this, [this, text, set](bool on) {
            OutputSettings next = output_;
            set(next, on);
            change(tr("Batch: %1").arg(text), next);
        });
    };
    addCheck(tr("Black point compensation"), tr("The darkest colour becomes the device's darkest"),
             output_.profile.hasBlackPoint, isOwn, [](OutputSettings& o, bool on) { o.profile.hasBlackPoint = on; });
    addCheck(tr("Progressive"), tr("A JPEG that comes in passes, for pages that load slowly"),
             output_.format.isProgressive, kind == FileFormat::Jpeg,
             [](OutputSettings& o, bool on) { o.format.isProgressive = on; });
    addCheck(tr("Lossless"), tr("A WebP that loses nothing"), output_.format.isLossless, kind == FileFormat::WebP,
             [](OutputSettings& o, bool on) { o.format.isLossless = on; });
    addCheck(tr("Dither to 8 bit"), tr("Noise of less than half a step, so that gradients end in no bands"),
             output_.format.dithers, output_.format.bits == 8,
             [](OutputSettings& o, bool on) { o.format.dithers = on; });
    return page;
}

QWidget* FileSheet::makeMetadata() {
    auto* page = new QWidget;
    auto* layout = fileSection(page, tr("METADATA"));
    auto* kept = new QComboBox;
    kept->addItems({tr("All of it"), tr("All but the place"), tr("Rights only"), tr("None")});
    kept->setToolTip(
        tr("What the pictures' files say of themselves and goes into the new ones. The place: where they "
           "were taken, in numbers and words. Rights: who made them and what may be done with them"));
    kept->setCurrentIndex(static_cast<int>(output_.format.metadata));
    addFileRow(layout, tr("Metadata"), kept, true);
    connect(kept, &QComboBox::activated, this, [this](int i) {
        OutputSettings next = output_;
        next.format.metadata = static_cast<MetadataKept>(i);
        change(tr("Batch: metadata"), next);
    });
    const auto addText = [&](const QString& name, const std::string& value, std::string OutputFormat::*member,
                             const QString& what) {
        auto* field = new QLineEdit(QString::fromStdString(value));
        field->setPlaceholderText(tr("as the picture says"));
        field->setToolTip(tr("Put into the files in the place of what the pictures say; empty: as they say"));
        addFileRow(layout, name, field, true);
        connect(field, &QLineEdit::editingFinished, this, [this, field, member, what] {
            OutputSettings next = output_;
            next.format.*member = field->text().trimmed().toStdString();
            change(what, next);
        });
    };
    addText(tr("Author"), output_.format.author, &OutputFormat::author, tr("Batch: author"));
    addText(tr("Copyright"), output_.format.copyright, &OutputFormat::copyright, tr("Batch: copyright"));
    return page;
}

QWidget* FileSheet::makeMark() {
    auto* page = new QWidget;
    auto* layout = fileSection(page, tr("MARK"));
    preview_->setFixedSize(kPreviewWidth, kPreviewHeight);
    preview_->setAlignment(Qt::AlignCenter);
    preview_->setAccessibleName(tr("The mark on the key picture"));
    layout->addWidget(preview_);
    markText_ = new QLineEdit(QString::fromStdString(output_.mark.text));
    markText_->setPlaceholderText(tr("a line of text, or a picture below"));
    addFileRow(layout, tr("Text"), markText_, true);
    connect(markText_, &QLineEdit::textEdited, this, [this](const QString& text) {
        output_.mark.text = text.trimmed().toStdString();
        showMark();
    });
    connect(markText_, &QLineEdit::editingFinished, this, [this] { change(tr("Batch: mark"), output_); });
    auto* picture = new QWidget;
    auto* pictureLayout = new QHBoxLayout(picture);
    pictureLayout->setContentsMargins(0, 0, 0, 0);
    pictureLayout->setSpacing(4);
    markPicture_ = new QLineEdit(QString::fromStdString(output_.mark.picture.string()));
    markPicture_->setPlaceholderText(tr("none"));
    auto* choose = makeButton({}, "");
    choose->setIcon(theme::icon(QStringLiteral("folder")));
    choose->setAccessibleName(tr("Choose a picture for a mark"));
    pictureLayout->addWidget(markPicture_, 1);
    pictureLayout->addWidget(choose);
    addFileRow(layout, tr("Picture"), picture, true);
    markPicture_->setAccessibleName(tr("Picture for a mark"));
    const auto takePicture = [this](const QString& file) {
        OutputSettings next = output_;
        next.mark.picture = file.trimmed().toStdString();
        try {
            Output{next};
        } catch (const Error& e) {
            markPicture_->setText(QString::fromStdString(output_.mark.picture.string()));
            return state_.tell(QString::fromStdString(e.what()), true);
        }
        markPicture_->setText(file.trimmed());
        change(tr("Batch: mark"), next);
    };
    connect(markPicture_, &QLineEdit::editingFinished, this,
            [this, takePicture] { takePicture(markPicture_->text()); });
    connect(choose, &QPushButton::clicked, this, [this, takePicture] {
        auto* dialog = new QFileDialog(this, tr("A picture for a mark"), {},
                                       tr("Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::ExistingFile);
        connect(dialog, &QFileDialog::fileSelected, this, takePicture);
        dialog->open();
    });
    auto* place = new QWidget;
    auto* grid = new QGridLayout(place);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setSpacing(3);
    auto* group = new QButtonGroup(place);
    const QStringList names = {tr("Top left"), tr("Top"),         tr("Top right"), tr("Left"),        tr("Middle"),
                               tr("Right"),    tr("Bottom left"), tr("Bottom"),    tr("Bottom right")};
    for (int i = 0; i < names.size(); ++i) {
        auto* button = makeButton({}, "");
        button->setCheckable(true);
        button->setFixedSize(36, 22);
        button->setStyleSheet(QStringLiteral("min-height: 20px; padding: 0;"));
        button->setToolTip(names[i]);
        button->setAccessibleName(names[i]);
        button->setChecked(static_cast<int>(output_.mark.place) == i);
        group->addButton(button, i);
        grid->addWidget(button, i / 3, i % 3);
    }
    addFileRow(layout, tr("Where"), place);
    connect(group, &QButtonGroup::idClicked, this, [this](int i) {
        OutputSettings next = output_;
        next.mark.place = static_cast<MarkPlace>(i);
        change(tr("Batch: mark"), next);
    });
    const auto addNumber = [&](const QString& name, double least, double most, double step, double usual,
                               double value, const QString& tip, auto set) {
        auto* row = new ValueRow(name);
        row->setLabelWidth(kFileLabel);
        row->setRange(least, most, step, usual);
        row->setValue(value);
        row->setToolTip(tip);
        layout->addWidget(row);
        connect(row, &ValueRow::edited, this, [this, set](double v, bool settled) {
            OutputSettings next = output_;
            set(next.mark, v);
            if (settled) return change(tr("Batch: mark"), next);
            output_.mark = next.mark;
            showMark();
        });
    };
    addNumber(tr("Height"), 0.5, 100, 0.5, Mark().size, output_.mark.size,
              tr("Per cent of the file's shorter side; a picture is never enlarged"),
              [](Mark& mark, double v) { mark.size = v; });
    addNumber(tr("Strength"), 0, 100, 1, Mark().strength * 100, output_.mark.strength * 100,
              tr("How much of it covers the picture, in per cent"),
              [](Mark& mark, double v) { mark.strength = v / 100; });
    layout->addStretch(1);
    return page;
}

void FileSheet::change(const QString& what, const OutputSettings& next) {
    output_ = next;
    showMark();
    Q_EMIT changeWanted(what, next);
}

void FileSheet::showMark() {
    QImage image;
    const Picture small = state_.hasKey() ? state_.pictures().smallOf(state_.key()) : Picture();
    if (!small.isEmpty()) image = imageOf(state_.keyGrade(), small);
    const qreal ratio = devicePixelRatioF();
    QPixmap shown(QSize(kPreviewWidth, kPreviewHeight) * ratio);
    shown.setDevicePixelRatio(ratio);
    shown.fill(theme::colours().well);
    QPainter painter(&shown);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    QSizeF size = image.isNull() ? QSizeF(kPreviewWidth, kPreviewHeight) : QSizeF(image.size());
    size.scale(kPreviewWidth, kPreviewHeight, Qt::KeepAspectRatio);
    const QPointF corner((kPreviewWidth - size.width()) / 2, (kPreviewHeight - size.height()) / 2);
    if (!image.isNull()) painter.drawImage(QRectF(corner, size), image);
    QString problem;
    try {
        // Only the mark matters here, not the profile.
        OutputSettings just;
        just.mark = output_.mark;
        const auto mark = Output(just).markIn(static_cast<int>(std::lround(size.width() * ratio)),
                                              static_cast<int>(std::lround(size.height() * ratio)));
        if (mark) {
            const Picture& p = mark->pixels;
            QImage over(p.width(), p.height(), QImage::Format_RGBA8888);
            for (int y = 0; y < p.height(); ++y)
                for (int x = 0; x < p.width(); ++x) {
                    const auto level = [&](int plane) {
                        return static_cast<uchar>(std::lround(255 * std::clamp(p.row(plane, y)[x], 0.0F, 1.0F)));
                    };
                    uchar* to = over.scanLine(y) + 4 * x;
                    for (int plane = 0; plane < 4; ++plane) to[plane] = level(plane);
                }
            painter.setOpacity(output_.mark.strength);
            painter.drawImage(QRectF(corner + QPointF(mark->x, mark->y) / ratio, QSizeF(over.size()) / ratio), over);
        }
    } catch (const Error& e) {
        problem = QString::fromStdString(e.what());
    }
    painter.end();
    preview_->setPixmap(shown);
    preview_->setToolTip(problem);
}

} // namespace baryton
