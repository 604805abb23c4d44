#include "stages/kept_grain.h"

#include <algorithm>

namespace baryton {

std::shared_ptr<KeptGrain> KeptGrain::of(const GrainKey& key) {
    static std::mutex lock;
    static std::array<std::shared_ptr<KeptGrain>, 2> last;
    const std::lock_guard<std::mutex> guard(lock);
    if (last[0] && last[0]->key() == key) return last[0];
    std::swap(last[0], last[1]);
    if (!last[0] || last[0]->key() != key) last[0] = std::make_shared<KeptGrain>(key);
    return last[0];
}

const GrainFields* KeptGrain::find(float y, std::size_t at, std::size_t count) const {
    const std::lock_guard<std::mutex> guard(lock_);
    const auto row = rows_.find({y, at});
    return row == rows_.end() || row->second->count < count ? nullptr : &row->second->fields;
}

void KeptGrain::keep(float y, std::size_t at, std::size_t count, const GrainFields& fields, int used) {
    constexpr std::size_t mostFloats = std::size_t(8) << 20;
    const std::size_t floats = static_cast<std::size_t>(used) * count;
    const std::lock_guard<std::mutex> guard(lock_);
    // One that is there, made meanwhile or shorter, may be in use.
    if (floats_ + floats > mostFloats || rows_.contains({y, at})) return;
    auto row = std::make_unique<Row>();
    row->count = count;
    row->fields.makeRoom(used, count);
    for (int f = 0; f < used; ++f) std::copy_n(fields.rows[f], count, row->fields.rows[f]);
    rows_[{y, at}] = std::move(row);
    floats_ += floats;
}

} // namespace baryton
