// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/pages.h"

#include "render/report/pieces.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

constexpr double title_height = 52, contents_line = 24;

struct Listed {
    QString title;
    std::size_t page = 0;
    bool inner = false;
};

class Setter {
public:
    explicit Setter(const Report& report)
        : report_(report), contents_(std::make_shared<std::vector<Listed>>()) {}

    Pages set() {
        const bool list = report_.parts.size() > 3;
        for (std::size_t i = 0; i < report_.parts.size(); ++i) {
            part(report_.parts[i]);
            if (i == 0 && list) contents_at_ = out_.pages.size();
        }
        if (list) insert_contents();
        out_.head_left = report_.title;
        out_.head_right = report_.customer;
        out_.foot = report_.foot;
        return std::move(out_);
    }

private:
    double column() const { return report_.paper_mm.width() * print_px_per_mm - 2 * margin_x; }
    double bottom() const { return report_.paper_mm.height() * print_px_per_mm - margin_bottom; }

    void part(const Part& part) {
        part_ = part.title;
        open_ = open_ && part.goes_on && y_ < (margin_top + bottom()) / 2;
        if (!part.title.isEmpty())
            contents_->push_back({part.title, out_.pages.size() - (open_ ? 1 : 0), false});
        std::vector<Piece> pieces;
        if (!part.title.isEmpty() && !starts_with_sheet(part)) pieces.push_back(part_title(part.title));
        for (const Block& block : part.blocks) {
            if (const SheetBlock* sheet = std::get_if<SheetBlock>(&block)) {
                place(pieces);
                pieces.clear();
                add_sheet(*sheet);
                continue;
            }
            for (Piece& piece : pieces_of(block, column())) pieces.push_back(std::move(piece));
        }
        place(pieces);
    }

    static bool starts_with_sheet(const Part& part) {
        return !part.blocks.empty() && std::holds_alternative<SheetBlock>(part.blocks.front());
    }

    Piece part_title(const QString& title) const {
        Piece piece;
        piece.height = title_height;
        piece.gap = 40;
        piece.keep_next = true;
        piece.paint = [title](QPainter& p, QPointF at) {
            p.setPen(print_palette().ink);
            p.setFont(font(26, 650));
            p.drawText(at + QPointF(0, 24), title);
            p.fillRect(QRectF(at.x(), at.y() + 34, 96, 3), print_palette().accent);
        };
        return piece;
    }

    void add_sheet(const SheetBlock& sheet) {
        if (!sheet.title.isEmpty()) contents_->push_back({sheet.title, out_.pages.size(), true});
        Page page{sheet.size_mm, part_, true, {}};
        const QRectF all(QPointF(0, 0), sheet.size_mm * print_px_per_mm);
        page.items.push_back({{}, [paint = sheet.paint, all](QPainter& p, QPointF) { paint(p, all); }});
        out_.pages.push_back(std::move(page));
        open_ = false;
    }

    void new_page() {
        out_.pages.push_back({report_.paper_mm, part_, false, {}});
        y_ = margin_top;
        open_ = true;
    }

    /// Height from a piece to the first after which a page may end.
    static double chain(const std::vector<Piece>& pieces, std::size_t from) {
        double height = 0;
        for (std::size_t i = from; i < pieces.size(); ++i) {
            height += pieces[i].height + (i > from ? pieces[i].gap : 0);
            if (!pieces[i].keep_next) break;
        }
        return height;
    }

    void put(const Piece& piece) {
        out_.pages.back().items.push_back({{margin_x, y_}, piece.paint});
        y_ += piece.height;
    }

    void place(const std::vector<Piece>& pieces) {
        const double room = bottom() - margin_top;
        for (std::size_t i = 0; i < pieces.size(); ++i) {
            const bool kept = i > 0 && pieces[i - 1].keep_next;
            if (open_) y_ += pieces[i].gap;
            double needed = chain(pieces, i);
            if (needed > room) needed = pieces[i].height;
            if (!open_ ||
                (y_ + needed > bottom() + 0.01 && (!kept || y_ + pieces[i].height > bottom() + 0.01))) {
                new_page();
                if (pieces[i].head) put(*pieces[i].head);
            }
            put(pieces[i]);
        }
    }

    void insert_contents() {
        const auto list = contents_;
        const std::size_t each =
            static_cast<std::size_t>((bottom() - margin_top - title_height) / contents_line);
        const std::size_t count = (list->size() + each - 1) / each;
        for (Listed& l : *list)
            if (l.page >= contents_at_) l.page += count;
        for (std::size_t k = 0; k < count; ++k) {
            Page page{report_.paper_mm, tr("Contents"), false, {}};
            page.items.push_back({{margin_x, margin_top}, part_title(tr("Contents")).paint});
            page.items.push_back(
                {{margin_x, margin_top + title_height},
                 [list, k, each, width = column()](QPainter& p, QPointF at) {
                     const std::size_t end = std::min(list->size(), (k + 1) * each);
                     for (std::size_t i = k * each; i < end; ++i)
                         contents_row(
                             p, (*list)[i],
                             QRectF(at.x(), at.y() + static_cast<double>(i - k * each) * contents_line, width,
                                    contents_line));
                 }});
            out_.pages.insert(out_.pages.begin() + static_cast<std::ptrdiff_t>(contents_at_ + k),
                              std::move(page));
        }
    }

    static void contents_row(QPainter& p, const Listed& l, const QRectF& row) {
        const auto& colours = print_palette();
        p.setFont(font(l.inner ? 12 : 13, l.inner ? 400 : 600));
        p.setPen(colours.ink);
        const double indent = l.inner ? 18 : 0;
        const QString number = QString::number(l.page + 1);
        const QFontMetricsF metrics(p.font());
        const QString title = metrics.elidedText(
            l.title, Qt::ElideRight, row.width() - indent - metrics.horizontalAdvance(number) - 24);
        p.drawText(row.adjusted(indent, 0, 0, 0), Qt::AlignVCenter | Qt::AlignLeft, title);
        p.drawText(row, Qt::AlignVCenter | Qt::AlignRight, number);
        p.setPen(QPen(colours.line, 1, Qt::DotLine));
        const double y = row.center().y() + 4;
        p.drawLine(QPointF(row.left() + indent + metrics.horizontalAdvance(title) + 8, y),
                   QPointF(row.right() - metrics.horizontalAdvance(number) - 8, y));
    }

    const Report& report_;
    Pages out_;
    QString part_;
    std::shared_ptr<std::vector<Listed>> contents_;
    std::size_t contents_at_ = 0;
    double y_ = 0;
    bool open_ = false;
};

void paint_head_and_foot(QPainter& p, const Pages& pages, std::size_t index) {
    const Page& page = pages.pages[index];
    const auto& colours = print_palette();
    const QRectF all(QPointF(0, 0), page.size_mm * print_px_per_mm);
    p.setFont(font(10.5));
    p.setPen(colours.muted);
    const QRectF head(margin_x, 40, all.width() - 2 * margin_x, 18),
        foot(margin_x, all.bottom() - 52, head.width(), 18);
    const double half = head.width() * 0.6;
    const QFontMetricsF metrics(p.font());
    p.drawText(head, Qt::AlignLeft | Qt::AlignVCenter,
               metrics.elidedText(pages.head_left, Qt::ElideRight, half));
    p.drawText(head, Qt::AlignRight | Qt::AlignVCenter,
               metrics.elidedText(page.part, Qt::ElideRight, head.width() - half));
    p.drawText(foot, Qt::AlignLeft | Qt::AlignVCenter, metrics.elidedText(pages.foot, Qt::ElideRight, half));
    p.drawText(foot, Qt::AlignRight | Qt::AlignVCenter,
               tr("Page %1 of %2").arg(index + 1).arg(pages.pages.size()));
    p.fillRect(QRectF(foot.left(), foot.top() - 5, foot.width(), 1), colours.line);
}

}  // namespace

Pages lay_out(const Report& report) {
    const PrintType type;
    return Setter(report).set();
}

void paint_page(QPainter& p, const Pages& pages, std::size_t index, double width) {
    const PrintType type;
    const Page& page = pages.pages[index];
    p.save();
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing | QPainter::SmoothPixmapTransform);
    const double scale = width / (page.size_mm.width() * print_px_per_mm);
    p.scale(scale, scale);
    if (!page.bare) paint_head_and_foot(p, pages, index);
    for (const PageItem& item : page.items) {
        p.save();
        item.paint(p, item.at);
        p.restore();
    }
    p.restore();
}

}  // namespace yemvo::render::report
