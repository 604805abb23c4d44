#include "app/widgets/arithmetic.h"

#include <cmath>

namespace baryton {

namespace {

/// sum = product {(+|-) product}; product = factor {(*|/) factor}; factor = [+|-] (number | '(' sum ')')
class Parser {
public:
    explicit Parser(QString text) : text_(std::move(text)) {}

    std::optional<double> whole() {
        const double value = sum();
        skipSpaces();
        if (failed_ || at_ != text_.size() || !std::isfinite(value)) return std::nullopt;
        return value;
    }

private:
    void skipSpaces() {
        while (at_ < text_.size() && text_[at_].isSpace()) ++at_;
    }
    bool take(QChar c) {
        skipSpaces();
        if (at_ >= text_.size() || text_[at_] != c) return false;
        ++at_;
        return true;
    }
    double sum() {
        double value = product();
        for (;;) {
            if (take(u'+'))
                value += product();
            else if (take(u'-'))
                value -= product();
            else
                return value;
        }
    }
    double product() {
        double value = factor();
        for (;;) {
            if (take(u'*'))
                value *= factor();
            else if (take(u'/'))
                value /= factor();
            else
                return value;
        }
    }
    double factor() {
        constexpr int deepest = 40;
        if (++depth_ > deepest) failed_ = true;
        if (failed_) return 0;
        double value = 0;
        if (take(u'-')) {
            value = -factor();
        } else if (take(u'+')) {
            value = factor();
        } else if (take(u'(')) {
            value = sum();
            failed_ = failed_ || !take(u')');
        } else {
            value = number();
        }
        --depth_;
        return value;
    }
    double number() {
        skipSpaces();
        const auto start = at_;
        while (at_ < text_.size() && (text_[at_].isDigit() || text_[at_] == u'.')) ++at_;
        bool ok = false;
        const double value = text_.mid(start, at_ - start).toDouble(&ok);
        failed_ = failed_ || !ok;
        return value;
    }

    QString text_;
    qsizetype at_ = 0;
    int depth_ = 0;
    bool failed_ = false;
};

} // namespace

std::optional<double> evaluateArithmetic(const QString& typed) {
    QString text = typed.trimmed();
    text.replace(QChar(0x2212), u'-').replace(u',', u'.').replace(QChar(0xd7), u'*');
    for (const auto& unit : {QStringLiteral("px"), QStringLiteral("K"), QStringLiteral("%"), QStringLiteral("°")})
        if (text.endsWith(unit)) text.chop(unit.size());
    return Parser(text).whole();
}

} // namespace baryton
