// SPDX-License-Identifier: GPL-3.0-or-later
// A report as a text that others go on writing: OpenDocument, sheets and figures as pictures.
#include <QBuffer>
#include <QTextCursor>
#include <QTextDocument>
#include <QTextDocumentWriter>
#include <QTextTable>

#include "base/error.h"
#include "render/report/figure_picture.h"
#include "render/report/styles.h"
#include "render/report/written_report.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

class OdtWriter {
public:
    explicit OdtWriter(const Report& report) : report_(report), at_(&document_) {
        document_.setDefaultFont(QFont("Open Sans", 10));
        line(report.title, 24, true, false);
        line(report.foot, 9, false, false);
    }

    void part(const Part& part) {
        if (!part.title.isEmpty()) line(part.title, 18, true, true);
        for (const Block& b : part.blocks) std::visit([&](const auto& block) { write(block); }, b);
    }

    QByteArray take() {
        QByteArray bytes;
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        QTextDocumentWriter writer(&buffer, "ODF");
        if (!writer.write(&document_)) throw Error(say("The report could not be written as OpenDocument"));
        return bytes;
    }

private:
    void line(const QString& words, double points, bool bold, bool new_page) {
        QTextBlockFormat block;
        block.setTopMargin(bold ? 10 : 2);
        block.setBottomMargin(4);
        if (new_page) block.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
        QTextCharFormat text;
        text.setFontPointSize(points);
        text.setFontWeight(bold ? QFont::DemiBold : QFont::Normal);
        if (!first_) at_.insertBlock();
        first_ = false;
        at_.setBlockFormat(block);
        at_.setCharFormat(text);
        at_.insertText(words, text);
    }
    void write(const TextBlock& b) {
        line(b.text,
             b.look == TextLook::heading ? 13
             : b.look == TextLook::lead  ? 12
             : b.look == TextLook::small ? 8.5
                                         : 10,
             b.look == TextLook::heading, false);
    }
    void write(const TileBlock& b) {
        for (const auto& t : b.tiles) line(t.figure + " " + t.words, 12, false, false);
    }
    void write(const TableBlock& b) {
        QTextTableFormat format;
        format.setBorderCollapse(true);
        format.setBorder(0.5);
        format.setCellPadding(3);
        format.setHeaderRowCount(1);
        format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
        line({}, 8, false, false);
        QTextTable* table =
            at_.insertTable(static_cast<int>(b.rows.size()) + 1, static_cast<int>(b.columns.size()), format);
        const auto put = [&](int row, std::size_t column, const QString& words, bool bold) {
            QTextCursor cell = table->cellAt(row, static_cast<int>(column)).firstCursorPosition();
            QTextCharFormat text;
            text.setFontPointSize(8.5);
            text.setFontWeight(bold ? QFont::DemiBold : QFont::Normal);
            QTextBlockFormat block;
            block.setAlignment(b.columns[column].figures ? Qt::AlignRight : Qt::AlignLeft);
            cell.setBlockFormat(block);
            cell.insertText(words, text);
        };
        for (std::size_t c = 0; c < b.columns.size(); ++c) put(0, c, b.columns[c].head, true);
        for (std::size_t r = 0; r < b.rows.size(); ++r)
            for (std::size_t c = 0; c < b.rows[r].size(); ++c)
                put(static_cast<int>(r) + 1, c, b.rows[r][c].text, b.ends_with_sum && r + 1 == b.rows.size());
        at_.movePosition(QTextCursor::End);
    }
    void write(const FigureBlock& b) {
        picture(b.paint, {b.width_mm > 0 ? b.width_mm : report_.paper_mm.width() - 36, b.height_mm},
                b.caption);
    }
    void write(const SheetBlock& b) { picture(b.paint, b.size_mm, b.title); }

    /// Pictures have to fit the page: QTextDocument lets them run over it.
    void picture(const Paint& paint, const QSizeF& size_mm, const QString& caption) {
        constexpr double points_per_mm = 72 / 25.4;
        const QSizeF room(report_.paper_mm.width() - 40, report_.paper_mm.height() - 70);
        const QSizeF shown = size_mm.scaled(room, Qt::KeepAspectRatio);
        const QSizeF size = shown.width() < size_mm.width() ? shown : size_mm;
        QTextImageFormat format;
        format.setName(QString("figure-%1.png").arg(++figures_));
        format.setWidth(size.width() * points_per_mm);
        format.setHeight(size.height() * points_per_mm);
        document_.addResource(QTextDocument::ImageResource, format.name(), figure_picture(paint, size_mm, 5));
        line({}, 8, false, false);
        at_.insertImage(format);
        if (!caption.isEmpty()) line(caption, 8.5, false, false);
    }

    const Report& report_;
    QTextDocument document_;
    QTextCursor at_;
    int figures_ = 0;
    bool first_ = true;
};

}  // namespace

QByteArray report_odt(const Report& report, const CancelToken& cancel,
                      const std::function<void(double)>& progress) {
    OdtWriter writer(report);
    for (std::size_t i = 0; i < report.parts.size(); ++i) {
        cancel.check();
        writer.part(report.parts[i]);
        if (progress) progress(0.9 * static_cast<double>(i + 1) / static_cast<double>(report.parts.size()));
    }
    return writer.take();
}

}  // namespace yemvo::render::report
