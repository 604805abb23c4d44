#pragma once
#include "grade/grade.h"
#include "grade/json.h"

#include <map>
#include <memory>
#include <set>
#include <string>

namespace baryton {

/// The large contents of a file's values, LUTs and pictures: each is written once, with a key; where it comes again
/// its name and the key stand alone. Read again, all that had one key share one content.
///
/// One pool may go with several texts, one after the other: what an earlier one holds is not in a later one.
class ContentPool {
public:
    /// True where the content under this key has not been written yet.
    bool isNew(const std::string& key) { return written_.insert(key).second; }
    /// The key of a content, a hash of it.
    std::string keyOf(const std::shared_ptr<const LutTable>& table);
    std::string keyOf(const std::shared_ptr<const std::string>& picture);

    /// Finds the contents in a document that is read from now on; it must stay until the next, or the end.
    void lookThrough(const Json& document);
    /// What stands under a key in this document: the value that has its content; null where there is none.
    const Json* at(const std::string& key) const;
    /// A copy of a part of the document in which every content stands at its place again.
    Json whole(const Json& part) const;
    std::map<std::string, std::shared_ptr<const LutTable>> tables; ///< that were read
    std::map<std::string, std::shared_ptr<const std::string>> pictures;

private:
    std::map<const void*, std::string> keys_;
    std::set<std::string> written_;
    std::map<std::string, const Json*> found_;
};

} // namespace baryton
