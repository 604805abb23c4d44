#pragma once
#include "picture/placement.h"
#include "stages/frame.h"

#include <QImage>
#include <QTransform>

namespace baryton {

// A frame as it is drawn, in an image of the whole picture.

/// Clockwise as it is seen.
QPointF rotated(QPointF p, double degrees);
/// An image of the picture as its file has it, mirrored and in quarter turns as a frame says.
QImage orientedImage(const QImage& whole, const Orientation& orientation);
QSize orientedSize(const FrameSettings& frame, QSize picture);
/// Where a frame lies in the picture as it is oriented.
Placement placementIn(const FrameSettings& frame, QSize oriented);
/// From the oriented picture to where it is painted, straight and turned, with its middle at a place.
QTransform turnedAbout(QPointF middle, double scale, const FrameSettings& frame, QSize oriented);

/// How large the frame of a picture of this size is, in its pixels.
QSize framedSize(const FrameSettings& frame, QSize picture);
/// What lies in it, cut out of an image of the whole picture, which may have another size than the picture itself; as
/// large as there is room for, in pixels of the screen, and never larger than in the picture.
QImage framedImage(const QImage& whole, const FrameSettings& frame, QSize picture, QSize room);

} // namespace baryton
