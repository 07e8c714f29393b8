// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/materials/type_list.h"

#include <QPainter>
#include <QStyledItemDelegate>
#include <QWidget>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {
namespace {

/// Sample, name, thickness, three figures; or the head of a group.
class TypeDelegate : public QStyledItemDelegate {
public:
    TypeDelegate(Workspace& w, QObject* parent) : QStyledItemDelegate(parent), workspace_(w) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& i) const override {
        return {100, i.data(Qt::UserRole).toUInt() == 0 ? 24 : 36};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& colours = theme();
        const QRect r = option.rect;
        const auto id = WallTypeId{index.data(Qt::UserRole).toUInt()};
        if (!id) {
            p->fillRect(r, colours.chrome);
            p->setPen(colours.muted);
            p->setFont(render::font(11.5, 600));
            p->drawText(r.adjusted(12, 0, 0, 0), Qt::AlignVCenter, index.data(Qt::DisplayRole).toString());
            return;
        }
        const auto& types = *workspace_.project().wall_types;
        const auto found =
            std::find_if(types.begin(), types.end(), [&](const WallType& t) { return t.id == id; });
        if (found == types.end()) return;
        const WallType& t = *found;
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, chosen ? colours.accent_tint : colours.paper);
        if (chosen) p->fillRect(QRect(r.left(), r.top(), 3, r.height()), colours.accent);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), colours.line2);
        render::paint_type_sample(*p, QRectF(r.left() + 10, r.top() + 9, 34, 18), t, colours);
        p->setPen(chosen ? colours.accent : colours.ink);
        const QFont name = render::font(12.5, chosen ? 650 : 500);
        p->setFont(name);
        const int room = r.width() - 54 - 112;
        p->drawText(QRect(r.left() + 54, r.top() + 3, room, 17), Qt::AlignVCenter,
                    QFontMetrics(name).elidedText(QString::fromStdString(t.name), Qt::ElideRight, room));
        p->setPen(colours.muted);
        p->setFont(render::font(11));
        p->drawText(QRect(r.left() + 54, r.top() + 18, room, 15), Qt::AlignVCenter,
                    tr_first(use_name(t.use)) + (t.use == TypeUse::obstacle
                                                     ? tr(", a metre")
                                                     : ", " + render::figure(t.thickness_m * 1000) + " mm"));
        p->setPen(colours.ink);
        p->setFont(render::font(12.5));
        for (std::size_t b = 0; b < band_count(); ++b)
            p->drawText(QRect(r.right() - 112 + 36 * static_cast<int>(b), r.top(), 34, r.height()),
                        Qt::AlignRight | Qt::AlignVCenter,
                        render::figure(loss_db(t, bands()[b].reference_mhz / 1000),
                                       loss_db(t, bands()[b].reference_mhz / 1000) < 99.95 ? 1 : 0));
    }

private:
    Workspace& workspace_;
};

/// Over the three figures of each row.
class BandHeads : public QWidget {
public:
    BandHeads() { setFixedHeight(20); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        p.setFont(render::font(11));
        const int bar = 9;  // of the list below
        for (std::size_t b = 0; b < band_count(); ++b) {
            const double right = width() - bar - 78 + 36.0 * static_cast<double>(b);
            const QString name = QString::fromStdString(bands()[b].name);
            p.setPen(theme().muted);
            p.drawText(QRectF(right - 34, 0, 34, height()), Qt::AlignRight | Qt::AlignVCenter, name);
            render::paint_band_glyph(
                p, QPointF(right - QFontMetricsF(p.font()).horizontalAdvance(name) - 8, height() / 2.0),
                bands()[b].id, theme());
        }
    }
};

}  // namespace

QAbstractItemDelegate* type_delegate(Workspace& workspace, QObject* parent) {
    return new TypeDelegate(workspace, parent);
}

QWidget* band_heads() { return new BandHeads; }

}  // namespace yemvo::app
