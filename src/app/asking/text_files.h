// SPDX-License-Identifier: GPL-3.0-or-later
// Small files of text that a person names: libraries, tables, patterns.
#pragma once
#include <QString>
#include <string>

namespace yemvo::app {

/// Throws Error that says what to do: it cannot be opened, or is larger than 20 MB.
std::string text_in_file(const QString& name);
/// False where it cannot be written; what stood there is kept then.
bool write_text_file(const QString& name, const std::string& text);

}  // namespace yemvo::app
