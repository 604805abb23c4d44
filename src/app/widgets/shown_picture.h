#pragma once
#include "app/theme/theme.h"

#include <QLabel>

namespace baryton {

/// A small picture in a place of its own that is always there, empty or not.
class ShownPicture : public QLabel {
public:
    ShownPicture(const QString& name, QSize size) : size_(size) {
        setFixedSize(size);
        setAlignment(Qt::AlignCenter);
        setAccessibleName(name);
        clearPicture();
    }
    void clearPicture() {
        QPixmap empty(size_);
        empty.fill(theme::colours().well);
        setPixmap(empty);
    }
    void setPicture(const QImage& image) {
        QImage fitting = image.scaled(size_ * devicePixelRatioF(), Qt::KeepAspectRatio, Qt::SmoothTransformation);
        fitting.setDevicePixelRatio(devicePixelRatioF());
        setPixmap(QPixmap::fromImage(fitting));
    }

private:
    QSize size_;
};

} // namespace baryton
