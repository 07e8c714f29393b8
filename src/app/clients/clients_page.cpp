// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/clients/clients_page.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QStyledItemDelegate>

#include "app/clients/keyed_forms.h"
#include "app/clients/rate_chart.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "project/demand_edits.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

enum Role { kind_role = Qt::UserRole, key_role };

Keyed keyed_of(const QListWidgetItem* item) {
    if (!item || !item->data(kind_role).isValid()) return {};
    return {static_cast<KeyedKind>(item->data(kind_role).toInt()),
            item->data(key_role).toString().toStdString()};
}

QString about_client(const ClientProfile& c) {
    QStringList words;
    for (const auto& [band, width] : c.widest_mhz)
        words << QString("%1: %2").arg(QString::fromStdString(yemvo::band(band).name)).arg(width);
    return QString::fromStdString(c.standard) + "  " + words.join("  ");
}

/// A line each, or the head of a group.
class KeyedDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 25}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& colours = theme();
        const QRect r = option.rect;
        const bool head = !index.data(kind_role).isValid();
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, head ? colours.chrome : chosen ? colours.accent_tint : colours.paper);
        if (chosen) p->fillRect(QRect(r.left(), r.top(), 3, r.height()), colours.accent);
        if (!head) p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), colours.line2);
        p->setFont(render::font(head ? 11.5 : 12.5, head ? 600 : 400));
        p->setPen(head ? colours.muted : colours.ink);
        const QString about = index.data(Qt::ToolTipRole).toString();
        const QFont small = render::font(11);
        const int about_px = QFontMetrics(small).horizontalAdvance(about);
        const int room = r.width() - 24;
        const QString name = index.data().toString().trimmed();
        const int name_px = p->fontMetrics().horizontalAdvance(name);
        p->drawText(r.adjusted(12, 0, -12, 0), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(name, Qt::ElideRight, room));
        if (about.isEmpty() || name_px + about_px + 16 > room) return;
        p->setFont(small);
        p->setPen(colours.muted);
        p->drawText(r.adjusted(12, 0, -12, 0), static_cast<int>(Qt::AlignVCenter | Qt::AlignRight), about);
    }
};

Form* form_for(Workspace& w, QWidget* parent, const Keyed& what) {
    switch (what.kind) {
        case KeyedKind::client:
            return client_form(w, parent, what.key);
        case KeyedKind::application:
            return application_form(w, parent, what.key);
        case KeyedKind::network:
            return network_form(w, parent, what.key);
    }
    return nullptr;
}

}  // namespace

ClientsPage::ClientsPage(Workspace& workspace, const Asking& asking, QWidget* parent)
    : QWidget(parent), workspace_(workspace), asking_(asking) {
    auto* row = page_body(this, "clientsPage", make_head());
    row->addWidget(make_list());
    middle_ = new QScrollArea(this);
    middle_->setWidgetResizable(true);
    middle_->setFrameShape(QFrame::NoFrame);
    middle_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    middle_->setFixedWidth(430);
    row->addWidget(middle_);
    chart_ = new RateChart(this);
    row->addWidget(chart_, 1);
    rest_ = new QWidget(this);
    row->addWidget(rest_, 1);
    connect(&workspace_, &Workspace::project_changed, this, [this] {
        if (isVisible()) refresh();
    });
    connect(&workspace_.document(), &Document::opened, this, [this] { shown_ = {}; });
}

QWidget* ClientsPage::make_head() {
    const PageHead head = page_head(this, tr("Clients and networks"));
    const auto add = [&](const QString& words, const char* object, const QString& tip,
                         void (ClientsPage::*run)()) {
        auto* b = push_button(words, object, tip);
        connect(b, &QPushButton::clicked, this, run);
        head.bar->addWidget(b);
    };
    add(tr("Import…"), "readClients", tr("Adds a library of clients and applications to this project"),
        &ClientsPage::read_file);
    add(tr("Export…"), "writeClients",
        tr("Writes all client profiles and applications of this project as a library file"),
        &ClientsPage::write_file);
    add(tr("Save to my library"), "keepClient", tr("Puts this into your own library"),
        &ClientsPage::keep_personal);
    add(tr("Add from my library"), "takeClients", tr("Adds your own library to this project"),
        &ClientsPage::take_personal);
    auto* back = push_button(tr("Back to the plan"), "main", tr("Esc"));
    back->setProperty("tests", "leaveClients");
    connect(back, &QPushButton::clicked, this, &ClientsPage::left);
    head.bar->addWidget(back);
    return head.widget;
}

QWidget* ClientsPage::make_list() {
    auto* side = new QWidget(this);
    side->setFixedWidth(340);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    list_ = new QListWidget(side);
    list_->setObjectName("keyedList");
    list_->setAccessibleName(tr("Client profiles, applications and networks"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new KeyedDelegate(list_));
    column->addWidget(list_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(10, 6, 10, 6);
    foot->setSpacing(6);
    const auto button = [&](const QString& words, const char* object, auto run) {
        auto* b = push_button(words, object);
        connect(b, &QPushButton::clicked, this, run);
        foot->addWidget(b, 1);
        return b;
    };
    button(tr("New profile"), "newClient", [this] { add(KeyedKind::client); });
    button(tr("New application"), "newApplication", [this] { add(KeyedKind::application); });
    column->addLayout(foot);
    foot = new QHBoxLayout;
    foot->setContentsMargins(10, 0, 10, 8);
    foot->setSpacing(6);
    button(tr("New network"), "newNetwork", [this] { add(KeyedKind::network); });
    copy_ = button(tr("Copy"), "copyKeyed", [this] { copy(); });
    remove_ = button(tr("Remove"), "removeKeyed", [this] { remove(); });
    column->addLayout(foot);
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* now) {
        if (const Keyed what = keyed_of(now); what && !(what == shown_)) {
            shown_ = what;
            refresh();
        }
    });
    return side;
}

bool ClientsPage::exists(const Keyed& what) const {
    const Project& p = workspace_.project();
    switch (what.kind) {
        case KeyedKind::client:
            return std::ranges::find(*p.clients, what.key, &ClientProfile::key) != p.clients->end();
        case KeyedKind::application:
            return find_application(p.demand, what.key) != nullptr;
        case KeyedKind::network:
            return find_network(p.demand, what.key) != nullptr;
    }
    return false;
}

void ClientsPage::show_thing(const Keyed& what) {
    if (what) shown_ = what;
    refresh();
}

/// What the list has to hold, in its order.
std::vector<ClientsPage::Listed> ClientsPage::listed() const {
    const Project& p = workspace_.project();
    std::vector<Listed> all;
    const auto words = [&](const QString& text, bool head) {
        Listed& l = all.emplace_back();
        l.text = text;
        l.head = head;
    };
    const auto head = [&](const QString& text) { words(text, true); };
    const auto entry = [&](KeyedKind kind, const auto& thing, const QString& tip) {
        words("    " + QString::fromStdString(thing.name), false);
        all.back().what = Keyed{kind, thing.key};
        all.back().tip = tip;
    };
    head(tr("Client profiles"));
    for (const ClientProfile& c : *p.clients) entry(KeyedKind::client, c, about_client(c));
    head(tr("Applications"));
    for (const Application& a : *p.demand.applications) entry(KeyedKind::application, a, {});
    head(tr("Networks"));
    for (const Network& n : *p.demand.networks) entry(KeyedKind::network, n, said_text(bands_text(n.bands)));
    if (p.demand.networks->empty()) words("    " + tr("One without a name, on every radio"), false);
    return all;
}

/// Anew only where something else is to be listed: a click is answered in the midst of it.
void ClientsPage::fill_list() {
    const QSignalBlocker quiet(list_);
    if (const std::vector<Listed> wanted = listed(); wanted != listed_) {
        listed_ = wanted;
        list_->clear();
        for (const Listed& l : listed_) {
            auto* item = new QListWidgetItem(l.text, list_);
            if (!l.what) item->setFlags(Qt::NoItemFlags);
            QFont bold = list_->font();
            bold.setWeight(QFont::DemiBold);
            if (l.head) item->setFont(bold);
            item->setToolTip(l.tip);
            if (!l.what) continue;
            item->setData(kind_role, static_cast<int>(l.what.kind));
            item->setData(key_role, QString::fromStdString(l.what.key));
        }
    }
    const auto at = std::ranges::find(listed_, shown_, &Listed::what);
    if (shown_ && at != listed_.end()) list_->setCurrentRow(static_cast<int>(at - listed_.begin()));
}

void ClientsPage::refresh() {
    if (!workspace_.document().is_open()) return;
    const Project& p = workspace_.project();
    if (!exists(shown_))
        shown_ = p.clients->empty() ? Keyed{} : Keyed{KeyedKind::client, p.clients->front().key};
    fill_list();
    copy_->setEnabled(bool(shown_));
    remove_->setEnabled(bool(shown_));
    const bool of_client = shown_ && shown_.kind == KeyedKind::client;
    if (of_client) chart_->show_client(client(p, shown_.key));
    chart_->setVisible(of_client);
    rest_->setVisible(!of_client);
    if (form_ && form_of_ == shown_ && !form_->is_outdated()) return form_->refresh();
    form_of_ = shown_;
    form_ = shown_ ? form_for(workspace_, nullptr, shown_) : nullptr;
    show_in(middle_, form_);
}

bool ClientsPage::change(const QString& label, const std::function<Keyed(Project&)>& how) {
    Keyed then;
    try {
        if (!workspace_.edit(label, [&](Project& p) { then = how(p); })) return false;
    } catch (const Error& refused) {
        workspace_.tell(fault_text(refused), true);
        return false;
    }
    if (then) shown_ = then;
    refresh();
    return true;
}

void ClientsPage::add(KeyedKind kind) {
    change(tr("Add %1").arg(kind == KeyedKind::client        ? tr("client profile")
                            : kind == KeyedKind::application ? tr("application")
                                                             : tr("network")),
           [&](Project& p) -> Keyed {
               switch (kind) {
                   case KeyedKind::client: {
                       ClientProfile c;
                       c.name = tr("New client").toStdString();
                       c.widest_mhz = {{band_24, 20}, {band_5, 80}};
                       return {kind, add_client(p, c)};
                   }
                   case KeyedKind::application: {
                       Application a;
                       a.name = tr("New application").toStdString();
                       a.down_mbps = 1;
                       a.up_mbps = 0.2;
                       return {kind, add_application(p, a)};
                   }
                   case KeyedKind::network: {
                       Network n;
                       n.name = tr("New network").toStdString();
                       return {kind, add_network(p, n)};
                   }
               }
               return {};
           });
}

void ClientsPage::copy() {
    const auto again = [](auto thing) {
        thing.name = tr("%1, copy").arg(QString::fromStdString(thing.name)).toStdString();
        return thing;
    };
    change(tr("Copy"), [&](Project& p) -> Keyed {
        switch (shown_.kind) {
            case KeyedKind::client:
                return {shown_.kind, add_client(p, again(client(p, shown_.key)))};
            case KeyedKind::application:
                return {shown_.kind, add_application(p, again(*find_application(p.demand, shown_.key)))};
            case KeyedKind::network:
                return {shown_.kind, add_network(p, again(*find_network(p.demand, shown_.key)))};
        }
        return {};
    });
}

void ClientsPage::remove() {
    change(tr("Remove"), [&](Project& p) -> Keyed {
        switch (shown_.kind) {
            case KeyedKind::client:
                remove_client(p, shown_.key);
                break;
            case KeyedKind::application:
                remove_application(p, shown_.key);
                break;
            case KeyedKind::network:
                remove_network(p, shown_.key);
                break;
        }
        return {};
    });
}

void ClientsPage::showEvent(QShowEvent*) { refresh(); }

void ClientsPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void ClientsPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().chrome); }

}  // namespace yemvo::app
