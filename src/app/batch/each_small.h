#pragma once
#include "app/picture_set.h"

#include <deque>

namespace baryton {

/// Goes through the small versions of a set's pictures, two at a time: those in sight first, then the rest.
class EachSmall : public QObject {
    Q_OBJECT
public:
    explicit EachSmall(PictureSet& pictures, QObject* parent = nullptr);

    /// Replaces what was left to do.
    void start(const std::vector<int>& indexes);
    /// These come next, where they are still to come.
    void first(const std::vector<int>& inSight);
    /// One that came is done with: the next may come.
    void done();
    bool isIdle() const { return left_.empty() && out_ == 0; }

Q_SIGNALS:
    /// Empty where the picture can't be read. Answered by `done`, now or later.
    void ready(int index, const baryton::Picture& small);

private:
    void next();
    PictureSet& pictures_;
    std::deque<int> left_;
    std::set<int> asked_; ///< wanted of the set and not there yet
    int out_ = 0;         ///< that came and are not done with
    int list_ = 0;
};

} // namespace baryton
