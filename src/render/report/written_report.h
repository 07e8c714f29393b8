// SPDX-License-Identifier: GPL-3.0-or-later
// A report as a file.
#pragma once
#include <QByteArray>
#include <optional>
#include <string_view>

#include "base/progress.h"
#include "render/report/pages.h"

namespace yemvo::render::report {

enum class ReportFormat { pdf, html, odt };
/// By a file's ending.
std::optional<ReportFormat> report_format(std::string_view file);

/// The bytes of the file. `progress`: told the share that is done. Throws Cancelled, and Error where it
/// cannot be made. Fonts are embedded; a report in HTML holds its figures itself.
QByteArray report_pdf(const Report&, const CancelToken& = {},
                      const std::function<void(double)>& progress = {});
QByteArray report_html(const Report&, const CancelToken& = {},
                       const std::function<void(double)>& progress = {});
QByteArray report_odt(const Report&, const CancelToken& = {},
                      const std::function<void(double)>& progress = {});
QByteArray written_report(const Report&, ReportFormat, const CancelToken& = {},
                          const std::function<void(double)>& progress = {});

}  // namespace yemvo::render::report
