// SPDX-License-Identifier: GPL-3.0-or-later
// Tables that are handed over: the same rows for the report, for spreadsheets and for programs.
#pragma once
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "base/said.h"

namespace yemvo {

struct HandoverColumn {
    std::string key;      ///< with its unit, as files have it: "link_m"
    Said head;            ///< "Link"
    std::string unit;     ///< "m"; empty: none
    int decimals = -1;    ///< of figures; -1: text
    double width = 10;    ///< in figures of the text, for whoever lays it out
    bool summed = false;  ///< a sum below the column makes sense
    /// Keys of two columns whose product it is; empty: none.
    std::string factor_a = {}, factor_b = {};
    bool is_figure() const { return decimals >= 0; }
    /// "Link (m)"
    Said titled() const;
};

/// Nothing, a text, or a figure in the column's unit.
using HandoverCell = std::variant<std::monostate, Said, double>;

struct HandoverTable {
    std::string key;  ///< "cables": of files and sheets
    Said title;
    std::vector<HandoverColumn> columns;
    std::vector<std::vector<HandoverCell>> rows;  ///< as many cells as columns
    /// Throws std::logic_error where there is none.
    std::size_t column(std::string_view key) const;
    /// Of a column's figures.
    double sum(std::size_t column) const;
};

/// With the columns' keys as its first row, figures with a decimal point, texts in English.
std::string to_csv(const HandoverTable&);

}  // namespace yemvo
