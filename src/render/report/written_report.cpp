// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/written_report.h"

#include <QBuffer>
#include <QPdfWriter>

#include "base/error.h"
#include "render/text_style.h"

namespace yemvo::render::report {

std::optional<ReportFormat> report_format(std::string_view file) {
    if (file.ends_with(".pdf")) return ReportFormat::pdf;
    if (file.ends_with(".html")) return ReportFormat::html;
    if (file.ends_with(".odt")) return ReportFormat::odt;
    return {};
}

QByteArray report_pdf(const Report& report, const CancelToken& cancel,
                      const std::function<void(double)>& progress) {
    const Pages pages = lay_out(report);
    if (pages.pages.empty())
        throw Error(say("The report would have no page"), {}, say("Tick another section"));
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    {
        QPdfWriter writer(&buffer);
        writer.setTitle(report.title);
        writer.setCreator("Yemvo");
        writer.setResolution(600);
        const auto shape = [&](const Page& page) {
            writer.setPageLayout(
                QPageLayout(QPageSize(page.size_mm, QPageSize::Millimeter, {}, QPageSize::ExactMatch),
                            QPageLayout::Portrait, QMarginsF()));
        };
        shape(pages.pages.front());
        QPainter p;
        for (std::size_t i = 0; i < pages.pages.size(); ++i) {
            cancel.check();
            const Page& page = pages.pages[i];
            if (i > 0) {
                shape(page);
                writer.newPage();
            } else if (!p.begin(&writer)) {
                throw Error(say("The report could not be painted"));
            }
            p.setRenderHint(QPainter::LosslessImageRendering);
            // not by the writer's whole pixels: a sheet's scale has to hold
            paint_page(p, pages, i, page.size_mm.width() / 25.4 * writer.resolution());
            if (progress) progress(static_cast<double>(i + 1) / static_cast<double>(pages.pages.size()));
        }
        p.end();
    }
    return bytes;
}

QByteArray written_report(const Report& report, ReportFormat format, const CancelToken& cancel,
                          const std::function<void(double)>& progress) {
    switch (format) {
        case ReportFormat::pdf:
            return report_pdf(report, cancel, progress);
        case ReportFormat::html:
            return report_html(report, cancel, progress);
        case ReportFormat::odt:
            break;
    }
    return report_odt(report, cancel, progress);
}

}  // namespace yemvo::render::report
