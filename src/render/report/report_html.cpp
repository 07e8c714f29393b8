// SPDX-License-Identifier: GPL-3.0-or-later
// A report as one HTML file: its figures stand in it, and nothing is fetched from anywhere.
#include <QBuffer>

#include "render/plan_marks.h"
#include "render/report/figure_picture.h"
#include "render/report/styles.h"
#include "render/report/written_report.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

constexpr const char* look = R"(
body{font:15px/1.5 "Open Sans","Noto Sans",sans-serif;color:#22262B;max-width:1000px;margin:0 auto;padding:24px}
h1{font-size:30px;margin:8px 0}h2{font-size:24px;border-bottom:3px solid #3B4BA3;padding-bottom:4px;margin-top:48px}
h3{font-size:17px;margin:28px 0 8px}p.lead{font-size:18px}p.small,figcaption{font-size:13px;color:#5F6773}
table{border-collapse:collapse;width:100%;font-size:13px;margin:12px 0}th{background:#EEF0F2;color:#5F6773;text-align:left}
th,td{padding:4px 8px;border-bottom:1px solid #D5D9DE;vertical-align:top}td.n,th.n{text-align:right;white-space:nowrap}
tr.sum td{font-weight:600;border-top:2px solid #22262B}.tiles{display:flex;flex-wrap:wrap;gap:12px;margin:16px 0}
.tile{background:#EEF0F2;border-radius:8px;padding:12px 16px;flex:1;min-width:140px}.tile b{font-size:26px;display:block}
figure{margin:20px 0}img{max-width:100%;height:auto;border:1px solid #E3E6E9}
.not{color:#B53C0B}.near{color:#96620F}@media print{h2{break-before:page}table,figure{break-inside:avoid}}
)";

QString mark_of(const std::optional<Outcome>& o) {
    if (!o) return {};
    return *o == Outcome::met    ? QStringLiteral(" ✓")
           : *o == Outcome::near ? QStringLiteral(" ≈")
                                 : QStringLiteral(" ✗");
}
QString class_of(const std::optional<Outcome>& o) {
    if (!o || *o == Outcome::met) return {};
    return *o == Outcome::near ? QStringLiteral("near") : QStringLiteral("not");
}

class Writer {
public:
    explicit Writer(const Report& report) : report_(report) {}

    void head() {
        out_ +=
            "<!DOCTYPE html>\n<html><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
            "content=\"width=device-width\"><meta http-equiv=\"Content-Security-Policy\" "
            "content=\"default-src "
            "'none'; img-src data:; style-src 'unsafe-inline'\"><title>" +
            report_.title.toHtmlEscaped() + "</title><style>" + look + "</style></head><body>\n";
        out_ += "<h1>" + report_.title.toHtmlEscaped() + "</h1><p class=\"small\">" +
                report_.foot.toHtmlEscaped() + "</p>\n";
    }
    void part(const Part& part) {
        if (!part.title.isEmpty()) out_ += "<h2>" + part.title.toHtmlEscaped() + "</h2>\n";
        for (const Block& b : part.blocks) std::visit([&](const auto& block) { write(block); }, b);
    }
    QByteArray take() {
        out_ += "</body></html>\n";
        return out_.toUtf8();
    }

private:
    void write(const TextBlock& b) {
        const char* tag = b.look == TextLook::heading ? "h3" : "p";
        const char* with = b.look == TextLook::lead    ? " class=\"lead\""
                           : b.look == TextLook::small ? " class=\"small\""
                                                       : "";
        out_ += QString("<%1%2>%3</%1>\n").arg(tag, with, b.text.toHtmlEscaped());
    }
    void write(const TileBlock& b) {
        out_ += "<div class=\"tiles\">";
        for (const auto& t : b.tiles)
            out_ += "<div class=\"tile\"><b class=\"" + class_of(t.outcome) + "\">" +
                    t.figure.toHtmlEscaped() + mark_of(t.outcome) + "</b>" + t.words.toHtmlEscaped() +
                    "</div>";
        out_ += "</div>\n";
    }
    void write(const TableBlock& b) {
        out_ += "<table><tr>";
        for (const auto& c : b.columns)
            out_ += QString("<th%1>").arg(c.figures ? " class=\"n\"" : "") + c.head.toHtmlEscaped() + "</th>";
        out_ += "</tr>\n";
        for (std::size_t r = 0; r < b.rows.size(); ++r) {
            out_ += b.ends_with_sum && r + 1 == b.rows.size() ? "<tr class=\"sum\">" : "<tr>";
            for (std::size_t i = 0; i < b.rows[r].size(); ++i) {
                const auto& cell = b.rows[r][i];
                out_ += "<td class=\"" + QString(b.columns[i].figures ? "n " : "") + class_of(cell.outcome) +
                        "\">" + cell.text.toHtmlEscaped() + mark_of(cell.outcome) + "</td>";
            }
            out_ += "</tr>\n";
        }
        out_ += "</table>\n";
    }
    void write(const FigureBlock& b) {
        const double width =
            b.width_mm > 0 ? b.width_mm : report_.paper_mm.width() - 2 * margin_x / print_px_per_mm;
        picture(b.paint, {width, b.height_mm}, b.caption);
    }
    void write(const SheetBlock& b) { picture(b.paint, b.size_mm, b.title); }

    void picture(const Paint& paint, const QSizeF& size_mm, const QString& caption) {
        QByteArray png;
        QBuffer buffer(&png);
        buffer.open(QIODevice::WriteOnly);
        figure_picture(paint, size_mm, 6).save(&buffer, "PNG");
        out_ += "<figure><img alt=\"" + caption.toHtmlEscaped() + "\" src=\"data:image/png;base64," +
                QString::fromLatin1(png.toBase64()) + "\"><figcaption>" + caption.toHtmlEscaped() +
                "</figcaption></figure>\n";
    }

    const Report& report_;
    QString out_;
};

}  // namespace

QByteArray report_html(const Report& report, const CancelToken& cancel,
                       const std::function<void(double)>& progress) {
    Writer writer(report);
    writer.head();
    for (std::size_t i = 0; i < report.parts.size(); ++i) {
        cancel.check();
        writer.part(report.parts[i]);
        if (progress) progress(static_cast<double>(i + 1) / static_cast<double>(report.parts.size()));
    }
    return writer.take();
}

}  // namespace yemvo::render::report
