// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/report_preview.h"

#include <QKeyEvent>
#include <QPainter>
#include <QScrollBar>
#include <QWheelEvent>
#include <cmath>
#include <span>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int gap = 18, most_columns = 4;
/// Pages that were looked at are kept, within reason.
constexpr std::size_t most_kept = 60;

QImage page_picture(const LaidReport& laid, std::size_t page, QSize size_px) {
    QImage image(size_px, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter p(&image);
    render::report::paint_page(p, laid.pages, page, size_px.width());
    return image;
}

}  // namespace

ReportPreview::ReportPreview(QWidget* parent)
    : QAbstractScrollArea(parent),
      behind_(Behind::Manner{Behind::Takes::newest, std::chrono::milliseconds(30)}) {
    setObjectName("reportPreview");
    setAccessibleName(tr("Pages of the report"));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFocusPolicy(Qt::StrongFocus);
}

void ReportPreview::show_report(std::shared_ptr<const LaidReport> report) {
    report_ = std::move(report);
    ++generation_;
    if (!report_) painted_.clear();
    arrange();
}

void ReportPreview::set_columns(int columns) {
    columns = std::clamp(columns, 1, most_columns);
    if (columns == columns_) return;
    const double at = verticalScrollBar()->value() / std::max(1.0, double(verticalScrollBar()->maximum()));
    columns_ = columns;
    arrange();
    verticalScrollBar()->setValue(static_cast<int>(at * verticalScrollBar()->maximum()));
}

QImage ReportPreview::picture(std::size_t page) const {
    const auto found = painted_.find(page);
    return found == painted_.end() || found->second.generation != generation_ ? QImage()
                                                                              : found->second.image;
}

QRect ReportPreview::page_rect(std::size_t page) const {
    const Cell& c = cells_[page];
    return QRectF(c.x, c.y - verticalScrollBar()->value(), c.width, c.height).toRect();
}

void ReportPreview::go_to(std::size_t page) {
    if (page < cells_.size()) verticalScrollBar()->setValue(static_cast<int>(cells_[page].y) - gap);
}

/// Rows of as many as fit; a page across takes the width of an upright one.
void ReportPreview::arrange() {
    cells_.clear();
    const double width = (viewport()->width() - gap * (columns_ + 1.0)) / columns_;
    double y = gap, row = 0;
    int column = 0;
    const std::span<const render::report::Page> pages =
        report_ ? std::span(report_->pages.pages) : std::span<const render::report::Page>();
    for (const render::report::Page& page : pages) {
        const double height = width * page.size_mm.height() / page.size_mm.width();
        cells_.push_back({gap + column * (width + gap), y, width, height});
        row = std::max(row, height);
        if (++column == columns_) {
            y += row + gap;
            row = column = 0;
        }
    }
    const double bottom = column == 0 ? y : y + row + gap;
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(40);
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(std::ceil(bottom)) - viewport()->height()));
    want_pictures();
    viewport()->update();
}

void ReportPreview::want_pictures() {
    if (!isVisible() || !report_) return;
    struct Wanted {
        std::size_t page;
        QSize size_px;
    };
    std::vector<Wanted> wanted;
    const QRect seen = viewport()->rect();
    const qreal ratio = devicePixelRatioF();
    for (std::size_t i = 0; i < cells_.size(); ++i) {
        if (!page_rect(i).intersects(seen)) continue;
        const QSize size = (QSizeF(cells_[i].width, cells_[i].height) * ratio).toSize();
        const auto known = painted_.find(i);
        if (known == painted_.end() || known->second.generation != generation_ ||
            known->second.width_px != size.width())
            wanted.push_back({i, size});
    }
    if (wanted.empty()) return;
    behind_.request({{},
                     [this, laid = report_, wanted, generation = generation_](const AtWork& at) {
                         for (const Wanted& w : wanted) {
                             at.check();
                             const QImage image = page_picture(*laid, w.page, w.size_px);
                             at.hand_over([this, w, image, generation] {
                                 if (generation != generation_) return;
                                 if (painted_.size() > most_kept) painted_.clear();
                                 painted_[w.page] = {image, generation, w.size_px.width()};
                                 viewport()->update(page_rect(w.page).adjusted(-4, -4, 4, 4));
                             });
                         }
                     },
                     [this](const QString& why) { emit failed(why); },
                     [this] { want_pictures(); }});
}

void ReportPreview::paintEvent(QPaintEvent* event) {
    QPainter p(viewport());
    p.fillRect(viewport()->rect(), theme().chrome);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    for (std::size_t i = 0; i < cells_.size(); ++i) {
        const QRect page = page_rect(i);
        if (!page.adjusted(-4, -4, 4, 4).intersects(event->rect())) continue;
        p.setPen(theme().line);
        p.setBrush(Qt::NoBrush);
        p.drawRect(page.adjusted(-1, -1, 0, 0));
        const auto known = painted_.find(i);
        if (known != painted_.end())
            p.drawImage(page, known->second.image);
        else
            paint_placeholder(p, page);
    }
}

void ReportPreview::paint_placeholder(QPainter& p, const QRectF& page) const {
    p.fillRect(page, Qt::white);
    p.setPen(render::Palette::light().muted);
    p.setFont(render::font(12));
    p.drawText(page, Qt::AlignCenter, tr("painting…"));
}

void ReportPreview::resizeEvent(QResizeEvent*) { arrange(); }
void ReportPreview::showEvent(QShowEvent*) { want_pictures(); }

void ReportPreview::scrollContentsBy(int, int) {
    want_pictures();
    viewport()->update();
}

void ReportPreview::wheelEvent(QWheelEvent* e) {
    if (!(e->modifiers() & Qt::ControlModifier)) return QAbstractScrollArea::wheelEvent(e);
    set_columns(columns_ + (e->angleDelta().y() > 0 ? -1 : 1));
    e->accept();
}

void ReportPreview::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Plus)
        set_columns(columns_ - 1);
    else if (e->key() == Qt::Key_Minus)
        set_columns(columns_ + 1);
    else if (e->key() == Qt::Key_Home)
        verticalScrollBar()->setValue(0);
    else if (e->key() == Qt::Key_End)
        verticalScrollBar()->setValue(verticalScrollBar()->maximum());
    else
        QAbstractScrollArea::keyPressEvent(e);
}

/// One page as wide as the view, or back.
void ReportPreview::mouseDoubleClickEvent(QMouseEvent* e) {
    for (std::size_t i = 0; i < cells_.size(); ++i)
        if (page_rect(i).contains(e->pos())) {
            set_columns(columns_ == 1 ? 2 : 1);
            go_to(i);
            return;
        }
}

}  // namespace yemvo::app
