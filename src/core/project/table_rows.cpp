// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/table_rows.h"

#include <algorithm>

#include "antenna/pattern/text_rows.h"
#include "base/number_text.h"

namespace yemvo {
namespace {

char separator_in(std::string_view head) {
    if (head.find(';') != std::string_view::npos) return ';';
    return head.find('\t') != std::string_view::npos ? '\t' : ',';
}

std::vector<std::string> cells_of(std::string_view line, char separator, const std::string& place) {
    std::vector<std::string> cells(1);
    bool quoted = false, was_quoted = false;
    const auto close = [&] {
        if (!was_quoted) cells.back() = std::string(pattern_text::trimmed(cells.back()));
        was_quoted = false;
    };
    for (std::size_t i = 0; i < line.size(); ++i) {
        const char c = line[i];
        if (quoted && c == '"' && i + 1 < line.size() && line[i + 1] == '"') {
            cells.back() += line[++i];
        } else if (quoted && c == '"') {
            quoted = false;
        } else if (!quoted && c == '"' && pattern_text::trimmed(cells.back()).empty() && !was_quoted) {
            cells.back().clear();
            quoted = was_quoted = true;
        } else if (!quoted && c == separator) {
            close();
            cells.emplace_back();
        } else if (quoted || !was_quoted || (c != ' ' && c != '\t')) {
            cells.back() += c;
        }
    }
    if (quoted) throw Error(say("has a quote that is not closed"), place, say("Close it on the same line"));
    close();
    return cells;
}

}  // namespace

std::string TableRow::text(const char* column) const {
    const auto found = columns_->find(column);
    return found == columns_->end() || found->second >= cells_.size() ? std::string() : cells_[found->second];
}

std::string TableRow::needed(const char* column) const {
    std::string value = text(column);
    if (value.empty()) fail(say("lacks a value for '%1'", std::string(column)));
    return value;
}

double TableRow::number(const char* column, std::optional<double> otherwise) const {
    const std::string value = text(column);
    if (value.empty() && otherwise) return *otherwise;
    if (const auto number = read_number(needed(column))) return *number;
    std::string with_point = value;
    std::ranges::replace(with_point, ',', '.');
    if (const auto number = read_number(with_point)) return *number;
    fail(say("'%1' is no number in '%2'", value.substr(0, 40), std::string(column)));
}

void TableRow::fail(const Said& what) const {
    throw Error(what, place_, say("Correct the row and read the table again"));
}

Table::Table(std::string_view text, const std::string& name, std::span<const char* const> needed) {
    char separator = ',';
    for (const pattern_text::Row& r : pattern_text::rows_of(text)) {
        if (r.text.empty() || r.text.front() == '#') continue;
        const std::string place = name + ", line " + std::to_string(r.line);
        if (columns_.empty()) {
            separator = separator_in(r.text);
            const auto heads = cells_of(r.text, separator, place);
            for (std::size_t i = 0; i < heads.size(); ++i) columns_[heads[i]] = i;
            for (const char* column : needed)
                if (!columns_.contains(column))
                    throw Error(say("has no column '%1'", std::string(column)), place,
                                say("Name it in the first row"));
            continue;
        }
        rows_.emplace_back(columns_, cells_of(r.text, separator, place), place);
    }
}

std::string table_cell(std::string_view text) {
    std::string out;
    // a spreadsheet takes what begins with these for a formula: a name on the air may be anybody's
    if (!text.empty() && (text.front() == '=' || text.front() == '+' || text.front() == '@')) out = "'";
    bool plain = true;
    for (const char c : text) {
        if (c == '"') out += '"';
        out += c;
        plain = plain && c != '"' && c != ',' && c != ';' && c != '\t' && c != '\n' && c != '\r';
    }
    if (!plain)
        std::ranges::replace_if(
            out, [](char c) { return c == '\n' || c == '\r'; }, ' ');
    return plain ? out : '"' + out + '"';
}

}  // namespace yemvo
