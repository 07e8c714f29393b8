// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/heard_here.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/listening.h"
#include "app/model/neighbours.h"
#include "app/model/spectrum.h"
#include "app/model/wishes.h"
#include "project/kinds/thing_edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int row_height = 21, most_rows_in_view = 9;

class HeardDelegate : public QStyledItemDelegate {
public:
    HeardDelegate(HeardHere& of, QObject* parent) : QStyledItemDelegate(parent), of_(of) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {100, row_height};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const ListeningPlace* place = of_.place();
        const auto i = static_cast<std::size_t>(index.row());
        if (!place || i >= place->heard.size()) return;
        const Neighbour& n = place->heard[i];
        const auto& colours = theme();
        const QRectF r(option.rect);
        p->save();
        if (option.state & QStyle::State_Selected) p->fillRect(r, colours.accent_tint);
        p->setRenderHint(QPainter::Antialiasing);
        render::paint_band_glyph(*p, {r.left() + 10, r.center().y()}, n.channel.band, colours);
        const auto write = [&](const QRectF& box, const QString& text, int weight, const QColor& ink,
                               Qt::Alignment to) {
            const QFont f = render::font(12, weight);
            p->setFont(f);
            p->setPen(ink);
            p->drawText(box, static_cast<int>(Qt::AlignVCenter | to),
                        QFontMetricsF(f).elidedText(text, Qt::ElideRight, box.width()));
        };
        constexpr double channel_px = 60, level_px = 46, use_px = 42;
        const double right = r.right() - 6;
        write({r.left() + 20, r.top(), r.width() - 26 - channel_px - level_px - use_px - 6, r.height()},
              neighbour_name(n), n.own ? 600 : 500, n.name.empty() ? colours.muted : colours.ink,
              Qt::AlignLeft);
        write({right - use_px - level_px - channel_px, r.top(), channel_px, r.height()},
              render::local(short_channel_text(n.primary, n.channel.width_mhz)), 500, colours.muted,
              Qt::AlignLeft);
        write({right - use_px - level_px, r.top(), level_px, r.height()}, render::figure(n.level_dbm, 0), 500,
              colours.ink, Qt::AlignRight);
        write({right - use_px, r.top(), use_px, r.height()}, render::percent(n.use, 0), 500, colours.ink,
              Qt::AlignRight);
        p->restore();
    }

private:
    HeardHere& of_;
};

}  // namespace

HeardHere::HeardHere(Workspace& workspace, ListeningPlaceId id, QWidget* parent)
    : QWidget(parent), workspace_(workspace), id_(id) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    list_ = new QListWidget;
    list_->setObjectName("heardHere");
    list_->setAccessibleName(tr("Radios heard here"));
    list_->setUniformItemSizes(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setItemDelegate(new HeardDelegate(*this, list_));
    column->addWidget(list_);
    const auto pair = [&] {
        auto* row = new QHBoxLayout;
        row->setSpacing(6);
        column->addLayout(row);
        return row;
    };
    const auto button = [&](QHBoxLayout* row, const QString& words, const char* object, auto run) {
        auto* b = new QPushButton(words);
        b->setObjectName(object);
        row->addWidget(b);
        connect(b, &QPushButton::clicked, this, run);
        return b;
    };
    auto* first = pair();
    button(first, tr("Add"), "heardAdd", [this] { add(); });
    remove_ = button(first, tr("Remove"), "heardRemove", [this] { remove(); });
    auto* second = pair();
    button(second, tr("Read a file…"), "heardRead", [this] { emit workspace_.wishes().hear(id_); });
    write_ = button(second, tr("Write a table…"), "heardWrite",
                    [this] { emit workspace_.wishes().write_heard(id_); });
    connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (!filling_ && row >= 0) choose(static_cast<std::size_t>(row));
    });
    listen(this, &HeardHere::follow_spectrum, workspace.spectrum(), &Spectrum::chosen_changed);
    refresh();
    follow_spectrum();
}

const ListeningPlace* HeardHere::place() const {
    const Floor* floor = workspace_.floor();
    return floor ? find_listening_place(*floor, id_) : nullptr;
}

const Neighbour* HeardHere::chosen() const {
    const ListeningPlace* p = place();
    return p && chosen_ < p->heard.size() ? &p->heard[chosen_] : nullptr;
}

void HeardHere::choose(std::size_t i) {
    chosen_ = i;
    refresh();
    emit chosen_changed();
}

/// A ghost on the board that was heard here.
void HeardHere::follow_spectrum() {
    const auto& at = workspace_.spectrum().neighbour();
    if (at && at->place == id_ && at->index != chosen_) choose(at->index);
}

void HeardHere::refresh() {
    const ListeningPlace* p = place();
    const int rows = p ? static_cast<int>(p->heard.size()) : 0;
    chosen_ = std::min(chosen_, static_cast<std::size_t>(std::max(0, rows - 1)));
    filling_ = true;
    while (list_->count() > rows) delete list_->takeItem(list_->count() - 1);
    while (list_->count() < rows) list_->addItem(QString());
    for (int i = 0; i < rows; ++i) {
        const Neighbour& n = p->heard[static_cast<std::size_t>(i)];
        list_->item(i)->setData(
            Qt::AccessibleTextRole,
            QStringList{neighbour_name(n), render::local(short_channel_text(n.primary, n.channel.width_mhz)),
                        render::figure(n.level_dbm, 0) + " dBm", render::percent(n.use, 0)}
                .join(", "));
    }
    list_->setCurrentRow(rows > 0 ? static_cast<int>(chosen_) : -1);
    list_->setFixedHeight(row_height * std::clamp(rows, 1, most_rows_in_view) + 4);
    filling_ = false;
    remove_->setEnabled(rows > 0);
    write_->setEnabled(rows > 0);
    list_->viewport()->update();
}

void HeardHere::change(const QString& label, const std::function<void(std::vector<Neighbour>&)>& how) {
    const FloorId floor = workspace_.floor_id();
    workspace_.edit(label, [&](Project& p) {
        const ListeningPlace* found = find_listening_place(*find_floor(p, floor), id_);
        if (!found) return;
        ListeningPlace changed = *found;
        how(changed.heard);
        replace_thing(p, floor, changed);
    });
}

/// As the one chosen, without its name: a typist goes down a list of one band.
void HeardHere::add() {
    Neighbour n;
    if (const Neighbour* last = chosen()) {
        n.channel = last->channel;
        n.primary = last->primary;
    }
    change(tr("Add a neighbour"), [&](std::vector<Neighbour>& heard) { heard.push_back(n); });
    if (const ListeningPlace* p = place(); p && !p->heard.empty()) choose(p->heard.size() - 1);
}

void HeardHere::remove() {
    change(tr("Remove a neighbour"), [&](std::vector<Neighbour>& heard) {
        if (chosen_ < heard.size()) heard.erase(heard.begin() + static_cast<std::ptrdiff_t>(chosen_));
    });
}

}  // namespace yemvo::app
