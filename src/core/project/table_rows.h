// SPDX-License-Identifier: GPL-3.0-or-later
// Tables as text: a first row that names the columns, then a row a thing. Parted by semicolons or tabs where
// the first row has any, else by commas; cells may stand in quotes. Rows that begin with # are remarks.
#pragma once
#include <map>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "base/error.h"

namespace yemvo {

/// One row by the names of its columns. Throws Error with the row's place.
class TableRow {
public:
    using Columns = std::map<std::string, std::size_t>;
    TableRow(const Columns& columns, std::vector<std::string> cells, std::string place)
        : columns_(&columns), cells_(std::move(cells)), place_(std::move(place)) {}
    /// Empty where there is no such column or cell.
    std::string text(const char* column) const;
    std::string needed(const char* column) const;
    /// With a point or a decimal comma.
    double number(const char* column, std::optional<double> otherwise = {}) const;
    template <class Known>
    auto word(const char* column, Known known) const {
        const std::string value = needed(column);
        const auto found = known(value);
        if (!found) fail(say("'%1' does not know '%2'", std::string(column), value.substr(0, 40)));
        return *found;
    }
    [[noreturn]] void fail(const Said& what) const;
    const std::string& place() const { return place_; }

private:
    const Columns* columns_;
    std::vector<std::string> cells_;
    std::string place_;
};

class Table {
public:
    /// `name`: of the file, for messages. Throws Error where one of the needed columns is missing.
    Table(std::string_view text, const std::string& name, std::span<const char* const> needed);
    Table(const Table&) = delete;
    Table& operator=(const Table&) = delete;
    const std::vector<TableRow>& rows() const { return rows_; }

private:
    TableRow::Columns columns_;
    std::vector<TableRow> rows_;
};

/// A cell as it is written: in quotes where it has to be, and never taken for a formula by a spreadsheet.
std::string table_cell(std::string_view);

}  // namespace yemvo
