// SPDX-License-Identifier: GPL-3.0-or-later
// For the readers of patterns: the rows of a text and the numbers in them.
#pragma once
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

namespace yemvo::pattern_text {

struct Row {
    std::size_t line = 0;   ///< from 1
    std::string_view text;  ///< trimmed
};

/// Lines that end in LF, CR LF or CR, without a byte order mark; empty ones too.
std::vector<Row> rows_of(std::string_view text);

std::string_view trimmed(std::string_view);
std::string upper(std::string_view);
bool begins_with_number(std::string_view);

/// The parts of a row: by semicolons or tabs where there are any, else by commas, else by blanks. A decimal
/// comma is read where commas do not part. Trailing empty parts are dropped.
std::vector<std::string_view> parts_of(std::string_view);

/// All of a row as numbers; empty where any part is none. NaN and infinities are numbers here: the reader
/// that meets them names their line.
std::vector<double> numbers_of(std::string_view);

/// The first number in a text of words, as in "gain 11.5 dBi"; before `unit` (any case) where one is given.
bool number_before(std::string_view text, std::string_view unit, double& value);
/// The first number that follows a word on its line with at most a few marks between them, in plain dB or
/// without a unit.
bool number_after(std::string_view text, std::string_view word, double& value);

}  // namespace yemvo::pattern_text
