// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_air/rule_list.h"

#include <QPainter>
#include <QStyledItemDelegate>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int text_x = 32, head_px = 20;

class RuleDelegate : public QStyledItemDelegate {
public:
    RuleDelegate(RuleList& of) : QStyledItemDelegate(&of), of_(of) {}
    QRect reason(const QRect& row) const { return row.adjusted(text_x, head_px + 4, -10, 0); }
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
        const AuditLine& l = of_.lines()[static_cast<std::size_t>(index.row())];
        const int width = of_.viewport()->width() - text_x - 10;
        const QRect words =
            QFontMetrics(render::font(12))
                .boundingRect(QRect(0, 0, std::max(100, width), 1000), Qt::TextWordWrap, of_.words(l));
        return {100, head_px + words.height() + 14};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const AuditLine& l = of_.lines()[static_cast<std::size_t>(index.row())];
        const auto& c = theme();
        const QRect r = option.rect;
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        if (option.state & QStyle::State_Selected) p->fillRect(r, c.accent_tint);
        p->setPen(QPen(c.line2, 1));
        p->drawLine(r.bottomLeft(), r.bottomRight());
        const bool untold = l.outcome == AuditOutcome::untold || of_.accepted(l);
        if (of_.accepted(l)) {
            const QRectF mark(r.left() + 12, r.top() + 10, 10, 10);
            p->setPen(QPen(c.muted, 1.2));
            p->drawRect(mark);
            p->drawLine(mark.bottomLeft(), mark.topRight());
        } else if (!untold)
            render::paint_outcome(*p, QPointF(r.left() + 17, r.top() + 15),
                                  l.outcome == AuditOutcome::fails  ? Outcome::not_met
                                  : l.outcome == AuditOutcome::near ? Outcome::near
                                                                    : Outcome::met,
                                  c);
        p->setFont(render::font(12.5, 600));
        p->setPen(untold ? c.muted : c.ink);
        const QRect head(r.left() + text_x, r.top() + 5, r.width() - text_x - 10, head_px);
        p->drawText(head, Qt::AlignLeft | Qt::AlignVCenter, of_.head(l));
        p->setFont(render::font(11.5));
        p->setPen(c.muted);
        p->drawText(head, Qt::AlignRight | Qt::AlignVCenter, render::local(l.limit));
        p->setFont(render::font(12));
        p->drawText(reason(r), Qt::TextWordWrap, of_.words(l));
        p->restore();
    }

private:
    RuleList& of_;
};

}  // namespace

const QString* RuleList::accepted(const AuditLine& l) const {
    const bool breaks = l.outcome == AuditOutcome::fails || l.outcome == AuditOutcome::near;
    const auto at = accepted_.find(QString::fromStdString(std::string(l.key)));
    return breaks && at != accepted_.end() ? &at->second : nullptr;
}

QString RuleList::words(const AuditLine& l) const {
    const QString* note = accepted(l);
    return note ? said_text(l.what) + "; " + tr("accepted: %1").arg(*note) : said_text(l.what);
}

QString RuleList::head(const AuditLine& l) const {
    if (accepted(l)) return tr("%1: accepted").arg(tr_mark(l.name));
    static const char* names[] = {mark("fails"), mark("near"), mark("holds"), mark("not told")};
    return tr("%1: %2").arg(tr_mark(l.name), tr(names[static_cast<int>(l.outcome)]));
}

RuleList::RuleList(QWidget* parent) : QListWidget(parent) {
    setObjectName("airRules");
    setAccessibleName(tr("Rules"));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setResizeMode(QListView::Adjust);
    setItemDelegate(new RuleDelegate(*this));
}

void RuleList::show_lines(std::vector<AuditLine> lines, std::map<QString, QString> accepted) {
    clear();
    accepted_ = std::move(accepted);
    lines_ = std::move(lines);
    for (const AuditLine& l : lines_) {
        auto* item = new QListWidgetItem;
        item->setData(Qt::AccessibleTextRole, head(l) + ". " + words(l));
        addItem(item);
    }
    doItemsLayout();
}

}  // namespace yemvo::app
