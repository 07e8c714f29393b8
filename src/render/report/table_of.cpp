// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/table_of.h"

#include <algorithm>

#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

QString cell_text(const HandoverCell& cell, const HandoverColumn& column) {
    if (const Said* text = std::get_if<Said>(&cell)) return said_text(*text);
    if (const double* v = std::get_if<double>(&cell)) return figure(*v, column.decimals);
    return {};
}

bool has_values(const HandoverTable& table, std::size_t column) {
    return std::ranges::any_of(
        table.rows, [&](const auto& row) { return !std::holds_alternative<std::monostate>(row[column]); });
}

}  // namespace

TableBlock table_of(const HandoverTable& table, std::initializer_list<std::string_view> wanted) {
    std::vector<std::size_t> shown;
    for (std::size_t i = 0; i < table.columns.size(); ++i) {
        const bool asked =
            wanted.size() == 0 || std::ranges::find(wanted, table.columns[i].key) != wanted.end();
        if (asked && has_values(table, i)) shown.push_back(i);
    }
    TableBlock block;
    bool sums = false;
    for (std::size_t i : shown) {
        const HandoverColumn& c = table.columns[i];
        block.columns.push_back({said_text(c.titled()), c.width, c.is_figure()});
        sums |= c.summed;
    }
    for (const auto& row : table.rows) {
        std::vector<TableBlock::Cell> cells;
        for (std::size_t i : shown) {
            TableBlock::Cell cell{cell_text(row[i], table.columns[i])};
            if (table.columns[i].key == "band_ghz")
                cell.band = find_band(cell_text(row[i], table.columns[i]).toStdString());
            cells.push_back(std::move(cell));
        }
        block.rows.push_back(std::move(cells));
    }
    if (!sums || table.rows.empty()) return block;
    std::vector<TableBlock::Cell> last;
    for (std::size_t i : shown)
        last.push_back(
            {table.columns[i].summed ? figure(table.sum(i), table.columns[i].decimals) : QString()});
    if (!last.empty() && last[0].text.isEmpty()) last[0].text = tr("Sum");
    block.rows.push_back(std::move(last));
    block.ends_with_sum = true;
    return block;
}

TableBlock pairs_table(const std::vector<std::pair<QString, QString>>& pairs) {
    TableBlock block{{{QString(), 30, false}, {QString(), 70, false}}, {}, false};
    for (const auto& [words, value] : pairs) block.rows.push_back({{words}, {value}});
    return block;
}

}  // namespace yemvo::render::report
