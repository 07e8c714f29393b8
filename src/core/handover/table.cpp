// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/table.h"

#include <stdexcept>

#include "base/number_text.h"
#include "project/table_rows.h"

namespace yemvo {

Said HandoverColumn::titled() const {
    return unit.empty() ? head : Said::joined("", {head, Said(" (" + unit + ")")});
}

std::size_t HandoverTable::column(std::string_view wanted) const {
    for (std::size_t i = 0; i < columns.size(); ++i)
        if (columns[i].key == wanted) return i;
    throw std::logic_error("a column that the table does not have");
}

double HandoverTable::sum(std::size_t at) const {
    double total = 0;
    for (const auto& row : rows)
        if (const double* v = std::get_if<double>(&row[at])) total += *v;
    return total;
}

std::string to_csv(const HandoverTable& table) {
    std::string out;
    for (std::size_t i = 0; i < table.columns.size(); ++i) out += (i ? "," : "") + table.columns[i].key;
    out += "\n";
    for (const auto& row : table.rows) {
        for (std::size_t i = 0; i < row.size(); ++i) {
            if (i) out += ",";
            if (const Said* text = std::get_if<Said>(&row[i])) out += table_cell(text->english());
            if (const double* v = std::get_if<double>(&row[i]))
                out += plain_number(*v, table.columns[i].decimals);
        }
        out += "\n";
    }
    return out;
}

}  // namespace yemvo
