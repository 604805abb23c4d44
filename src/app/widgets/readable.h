#pragma once
#include <QAccessible>
#include <QString>
#include <QWidget>
#include <optional>

namespace baryton {

/// What a widget that draws itself tells those who don't see it. Its accessible name says what it is, this what it
/// shows.
class Readable {
public:
    virtual ~Readable() = default;
    /// What it shows now: "point 2 of 4: 64 to 48".
    virtual QString inWords() const = 0;
    virtual QAccessible::Role readableRole() const { return QAccessible::Slider; }

    /// The number it holds, where it is just one.
    struct Number {
        double now, least, most, step;
    };
    virtual std::optional<Number> readableNumber() const { return {}; }
    /// Sets that number, as a hand would.
    virtual void takeReadableNumber(double) {}
};

/// Lets assistive tools find the readable widgets; once, at the start.
void installReadables();

/// Tells assistive tools that a readable widget shows something else now.
void announce(QWidget* readable);

} // namespace baryton
