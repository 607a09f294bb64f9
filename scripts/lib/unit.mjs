// How systemd starts the house with the machine, and stops it cleanly.

/** The unit's text. `start` asks its database and server to stop; whatever is left after that is ended. */
export const unitText = ({ node, root, data, user }) => `[Unit]
Description=Limnos, the house tea book
After=network-online.target
Wants=network-online.target

[Service]
User=${user}
WorkingDirectory=${root}
Environment=LIMNOS_DATA=${data}
Environment=HOME=${data}
ExecStart=${node} ${root}/scripts/start.mjs --empty
Restart=always
RestartSec=2
KillMode=mixed
TimeoutStopSec=30
StateDirectory=limnos
StateDirectoryMode=0700
UMask=0077
NoNewPrivileges=yes
PrivateTmp=yes
ProtectSystem=strict
ProtectHome=read-only
ProtectKernelTunables=yes
ProtectControlGroups=yes
RestrictSUIDSGID=yes

[Install]
WantedBy=multi-user.target
`;
