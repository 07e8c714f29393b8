// SPDX-License-Identifier: GPL-3.0-or-later
// JSON as text that diffs well: a thing a line.
#pragma once
#include <functional>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "project/json_reader.h"

namespace yemvo {

/// Large lists beside the value that they belong into: they are written entry by entry and never are JSON as
/// a whole. The lists must outlive this.
class LargeLists {
public:
    /// Stands in the value where the list belongs.
    template <class List, class Write>
    Json add(const List& list, Write write) {
        return mark([&list, write](const Entry& entry) {
            for (const auto& thing : list) entry(write(thing));
        });
    }
    using Entry = std::function<void(const Json&)>;

private:
    friend class LineWriter;
    Json mark(std::function<void(const Entry&)> list);
    std::vector<std::function<void(const Entry&)>> lists_;
};

/// Indented by one space a level; what fits on a line, and each entry of a large list, stands on one line.
/// What is not UTF-8 is replaced.
std::string json_text(const Json&, const LargeLists& = {});

}  // namespace yemvo
