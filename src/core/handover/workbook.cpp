// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/workbook.h"

#include <unistd.h>
#include <xlsxwriter.h>

#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <map>
#include <memory>

#include "base/error.h"

namespace yemvo {
namespace {

struct CloseBook {
    void operator()(lxw_workbook* book) const { workbook_close(book); }
};
/// The library writes files alone.
class TemporaryFile {
public:
    TemporaryFile() {
        std::string name = (std::filesystem::temp_directory_path() / "yemvo-XXXXXX").string();
        const int fd = ::mkstemp(name.data());
        if (fd < 0) throw Error(say("could not be written"), Said(name), say("Free some space there"));
        ::close(fd);
        path_ = name;
    }
    ~TemporaryFile() {
        std::error_code ignored;
        std::filesystem::remove(path_, ignored);
    }
    TemporaryFile(const TemporaryFile&) = delete;
    TemporaryFile& operator=(const TemporaryFile&) = delete;
    const std::string& path() const { return path_; }
    std::string read() const {
        std::ifstream in(path_, std::ios::binary);
        return {std::istreambuf_iterator<char>(in), {}};
    }

private:
    std::string path_;
};

using Book = std::unique_ptr<lxw_workbook, CloseBook>;

void check(lxw_error error) {
    if (error != LXW_NO_ERROR) throw Error(Said(std::string(lxw_strerror(error))));
}

class Sheets {
public:
    explicit Sheets(lxw_workbook* book) : book_(book), head_(workbook_add_format(book)) {
        format_set_bold(head_);
        format_set_bottom(head_, LXW_BORDER_THIN);
        format_set_text_wrap(head_);
        format_set_align(head_, LXW_ALIGN_VERTICAL_TOP);
    }

    void add(const HandoverTable& table) {
        table_ = &table;
        sheet_ = workbook_add_worksheet(book_, table.title.english().substr(0, 31).c_str());
        if (!sheet_) throw Error(say("a sheet could not be added"), table.key);
        for (lxw_col_t c = 0; c < columns(); ++c) head(c);
        for (lxw_row_t r = 0; r < rows(); ++r)
            for (lxw_col_t c = 0; c < columns(); ++c) cell(r + 1, c, table.rows[r][c]);
        if (rows() > 0) {
            check(worksheet_autofilter(sheet_, 0, 0, rows(), static_cast<lxw_col_t>(columns() - 1)));
            for (lxw_col_t c = 0; c < columns(); ++c)
                if (table.columns[c].summed) sum(c);
        }
        worksheet_freeze_panes(sheet_, 1, 0);
        worksheet_set_landscape(sheet_);
        worksheet_fit_to_pages(sheet_, 1, 0);
        worksheet_repeat_rows(sheet_, 0, 0);
    }

private:
    lxw_col_t columns() const { return static_cast<lxw_col_t>(table_->columns.size()); }
    lxw_row_t rows() const { return static_cast<lxw_row_t>(table_->rows.size()); }

    void head(lxw_col_t c) {
        const HandoverColumn& column = table_->columns[c];
        check(worksheet_set_column(sheet_, c, c, column.width + 3, nullptr));
        check(worksheet_write_string(sheet_, 0, c, column.titled().english().c_str(), head_));
    }

    void cell(lxw_row_t row, lxw_col_t c, const HandoverCell& value) {
        const HandoverColumn& column = table_->columns[c];
        if (const Said* text = std::get_if<Said>(&value))
            check(worksheet_write_string(sheet_, row, c, text->english().c_str(), nullptr));
        const double* v = std::get_if<double>(&value);
        if (!v) return;
        if (column.factor_a.empty())
            return check(worksheet_write_number(sheet_, row, c, *v, figures(column, false)));
        std::string formula = "=";
        formula.append(place(row, table_->column(column.factor_a))).append("*");
        formula.append(place(row, table_->column(column.factor_b)));
        check(worksheet_write_formula_num(sheet_, row, c, formula.c_str(), figures(column, false), *v));
    }

    void sum(lxw_col_t c) {
        std::string formula = "=SUM(";
        formula.append(place(1, c)).append(":").append(place(rows(), c)).append(")");
        check(worksheet_write_formula_num(sheet_, rows() + 1, c, formula.c_str(),
                                          figures(table_->columns[c], true), table_->sum(c)));
    }

    static std::string place(lxw_row_t row, std::size_t c) {
        char text[LXW_MAX_CELL_NAME_LENGTH];
        lxw_rowcol_to_cell(text, row, static_cast<lxw_col_t>(c));
        return text;
    }

    lxw_format* figures(const HandoverColumn& column, bool sum) {
        lxw_format*& format = formats_[{column.decimals, sum}];
        if (format) return format;
        format = workbook_add_format(book_);
        std::string places = "0";
        if (column.decimals > 0) places.append(1, '.').append(static_cast<std::size_t>(column.decimals), '0');
        format_set_num_format(format, places.c_str());
        if (sum) {
            format_set_bold(format);
            format_set_top(format, LXW_BORDER_THIN);
        }
        return format;
    }

    lxw_workbook* book_;
    lxw_format* head_;
    const HandoverTable* table_ = nullptr;
    lxw_worksheet* sheet_ = nullptr;
    std::map<std::pair<int, bool>, lxw_format*> formats_;
};

}  // namespace

std::string workbook_bytes(std::span<const HandoverTable> tables, const std::string& title) {
    for (const HandoverTable& t : tables)
        if (t.rows.size() + 2 > LXW_ROW_MAX)
            throw Error(say("the table has %1 rows, more than a sheet may have", t.rows.size()),
                        t.title.english(), say("Write it as CSV"));
    const TemporaryFile file;
    Book book(workbook_new(file.path().c_str()));
    if (!book) throw Error(say("the spreadsheet could not be made"));
    std::string about = title;
    lxw_doc_properties properties{};
    properties.title = about.data();
    workbook_set_properties(book.get(), &properties);
    Sheets sheets(book.get());
    for (const HandoverTable& t : tables) sheets.add(t);
    check(workbook_close(book.release()));
    return file.read();
}

}  // namespace yemvo
