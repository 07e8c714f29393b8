// SPDX-License-Identifier: GPL-3.0-or-later
// Short ways to write columns and cells. For the tables' own use.
#pragma once
#include "base/number_text.h"
#include "handover/tables.h"
#include "project/short_title.h"

namespace yemvo::cells {

inline HandoverColumn text(const char* key, Said head, double width) {
    return {key, std::move(head), "", -1, width};
}
inline HandoverColumn figure(const char* key, Said head, const char* unit, int decimals, double width = 8) {
    return {key, std::move(head), unit, decimals, width};
}
inline HandoverColumn summed(HandoverColumn column) {
    column.summed = true;
    return column;
}

inline HandoverCell words(const std::string& text) {
    return text.empty() ? HandoverCell() : HandoverCell(Said(text));
}
inline HandoverCell number(double v) { return v; }
template <std::integral Integer>
HandoverCell number(Integer v) {
    return static_cast<double>(v);
}

/// "name", "number", "floor": how every row about an access point begins.
std::vector<HandoverColumn> head_of_access_point();
std::vector<HandoverCell> start_of_row(const Project&, const Floor&, const AccessPoint&);

}  // namespace yemvo::cells
